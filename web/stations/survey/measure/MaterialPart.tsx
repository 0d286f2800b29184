import { BODIES, PIECE_IDS, PIECES } from '#core/item/make';
import { SUBSTRATE_IDS, type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { type Surface, surfaceName } from '#formats/job';
import { Part } from '../../../job/Station';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { TextField } from '../../../ui/TextField';

export const substrateOptions = SUBSTRATE_IDS.map((id) => [id, SUBSTRATES[id].name] as const);

export interface SurfacePartProps {
  readonly surface: Surface;
  readonly change: (changes: Partial<Surface>) => void;
}

/** What a surface is called and made of, and how it is handled. */
export function MaterialPart({ surface, change }: SurfacePartProps) {
  const { substrate } = surface;
  return (
    <Part title="What it is">
      <div className="space-y-3">
        <TextField label="Name" required value={surfaceName(surface)} onChange={(name) => change({ name })} />
        <SelectField
          label="Made of"
          value={substrate}
          options={substrateOptions}
          onChange={(next: SubstrateId) =>
            change({
              substrate: next,
              ...(next === 'wheel' && surface.piece === undefined && { piece: 'wheel-face' }),
            })
          }
        />
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            label="Under the finish"
            value={surface.body ?? ''}
            options={[['', 'as usual'], ...BODIES.map((id) => [id, capital(id)] as const)]}
            onChange={(body) => change({ body: body || undefined })}
          />
          <SelectField
            label="Done by the piece"
            value={surface.piece ?? ''}
            options={[['', 'no, by area'], ...PIECE_IDS.map((id) => [id, PIECES[id].name] as const)]}
            onChange={(piece) => change({ piece: piece || undefined })}
          />
          <NumberField
            label="Handling, ×"
            value={surface.handling ?? 1}
            check={(value) => (value >= 1 && value <= 20 ? undefined : '1 to 20')}
            onChange={(handling) => change({ handling: handling === 1 ? undefined : handling })}
          />
          <p className="self-end text-[13px] text-ink-2">
            How many times as long as a flat of its size; a gauge reads coats on metal only.
          </p>
        </div>
        <TextField
          long
          label="Note"
          value={surface.note ?? ''}
          onChange={(note) => change({ note: note || undefined })}
        />
      </div>
    </Part>
  );
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
