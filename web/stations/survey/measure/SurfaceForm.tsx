import { Trash2 } from 'lucide-react';
import { twinOf } from '#core/survey/condition';
import { AREA_SIGMA, areaEstimate, areaRange, shapeAreaM2 } from '#core/item/geometry';
import { BODIES, PIECE_IDS, PIECES } from '#core/item/make';
import { clearEstimateUm, gaugeReads, judgeReadings } from '#core/survey/paint';
import { SUBSTRATE_IDS, type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { FOUND_IDS, foundName, type FoundId } from '#core/products/families';
import { inOnePiece } from '#core/plan/job';
import { type Surface, surfaceName } from '#formats/job';
import { changeSurface, changeSurfaces, copyToTwin, removeSurface, setReadings } from '#job/edit';
import { PanelHead, Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { DateField } from '../../../ui/DateField';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { TextField } from '../../../ui/TextField';
import { Working } from '../../../ui/Working';
import { m2, um } from '../../../ui/measures';
import { percent } from '../../../ui/numbers';
import { NumbersField, ShapeForm } from './ShapeForm';

export const substrateOptions = SUBSTRATE_IDS.map((id) => [id, SUBSTRATES[id].name] as const);

const SOURCE_WORDS = { template: 'template', tape: 'tape', trace: 'trace over a scaled picture' } as const;

/** All there is to say of one surface at the walk-round. */
export function SurfaceForm({ surface }: { readonly surface: Surface }) {
  const job = useJob('choose', 'document', 'edit', 'laid', 'planned');
  const { document, edit, choose, planned } = job;
  const change = (changes: Partial<Surface>) => edit(changeSurface(surface.id, changes));
  const { shape, substrate, count, curvature = 1, measuredBy } = surface;
  const areaM2 = shapeAreaM2(shape) * curvature * count;
  const [low, high] = areaRange(areaEstimate(areaM2, measuredBy));
  const { matte, polishable } = SUBSTRATES[substrate];
  const paint = judgeReadings(planned.surfaces)[document.surfaces.indexOf(surface)];
  const clear = clearEstimateUm(surface, paint);
  const laid = job.laid.has(surface.id);
  const alike = document.surfaces
    .filter((other) => other.substrate === substrate && !sameColour(other.colour, surface.colour))
    .map(({ id }) => id);
  const twin = document.surfaces.find(({ id }) => id === twinOf(surface.id));
  const twinLaid = twin !== undefined && job.laid.has(twin.id);
  return (
    <>
      <PanelHead>
        <p className="mt-1">
          <Working
            name="Area"
            rows={[
              ['Flat, from its shape', m2(shapeAreaM2(shape))],
              ['Curvature factor', curvature.toFixed(2)],
              ['Copies', String(count)],
              [`One sigma of a ${measuredBy}`, percent(AREA_SIGMA[measuredBy])],
              ['10 % to 90 %', `${low.toFixed(2)}–${m2(high)}`],
            ]}
            rule="Area of the shape, times its curvature, times its copies. The spread is that of the way it was measured."
          >
            <span className="figure text-3xl">{m2(areaM2)}</span>
          </Working>{' '}
          <span className="text-ink-2">
            {low.toFixed(2)}–{high.toFixed(2)}, by {SOURCE_WORDS[measuredBy]}
          </span>
        </p>
      </PanelHead>
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
      <Part title="How it was measured">
        {measuredBy === 'template' ? (
          <div className="flex items-center justify-between gap-3">
            <p className="text-[14px] text-ink-2">Its outline comes from the stretched template.</p>
            <Button
              onClick={() => change({ measuredBy: 'tape', shape: { kind: 'area', areaM2: round(shapeAreaM2(shape)) } })}
            >
              Measure by tape
            </Button>
          </div>
        ) : (
          <ShapeForm
            shape={shape}
            onChange={(next) =>
              change({ shape: next, measuredBy: 'tape', ...(next.kind === 'area' && { curvature: undefined }) })
            }
          />
        )}
        <div className="mt-3 grid grid-cols-2 gap-3">
          <NumberField
            label="Identical copies"
            value={count}
            check={(value) =>
              Number.isInteger(value) && value >= 1 && value <= 100 ? undefined : 'a whole number, 1 to 100'
            }
            onChange={(next) => change({ count: next ?? 1 })}
          />
          {shape.kind !== 'area' && (
            <NumberField
              label="Curvature, ×"
              value={curvature}
              check={(value) => (value > 0 && value <= 3 ? undefined : 'more than 0, at most 3')}
              onChange={(next) => change({ curvature: next })}
            />
          )}
        </div>
        <label className="mt-3 flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-(--over)"
            checked={inOnePiece(surface)}
            disabled={matte}
            onChange={({ target }) => change({ onePiece: target.checked })}
          />
          In one piece, without seams {matte && <span className="text-ink-3">(matte always)</span>}
        </label>
      </Part>
      <Part title="What is on it already">
        <Existing value={surface.existing} onChange={(existing) => change({ existing })} />
      </Part>
      {(gaugeReads(surface) || polishable) && (
        <Part title="Paint">
          <div className="grid grid-cols-2 gap-3">
            <SelectField
              label="How dark it is"
              value={surface.colour?.tone ?? ''}
              options={[
                ['', 'not said'],
                ['dark', 'Dark'],
                ['mid', 'In between'],
                ['pale', 'Pale'],
              ]}
              onChange={(tone) => change({ colour: tone ? { ...surface.colour, tone } : undefined })}
            />
            <TextField
              label="Colour, paint code"
              value={surface.colour?.name ?? ''}
              onChange={(name) => change({ colour: { tone: surface.colour?.tone ?? 'mid', name: name || undefined } })}
            />
            {alike.length > 0 && surface.colour && (
              <div className="col-span-2">
                <Button onClick={() => edit(changeSurfaces(alike, { colour: surface.colour }))}>
                  Say the same of {alike.length} more painted {alike.length === 1 ? 'part' : 'parts'}
                </Button>
              </div>
            )}
            <SelectField
              label="Hardness under the pad"
              value={surface.hardness?.grade ?? ''}
              options={[
                ['', 'not known'],
                ['soft', 'Soft'],
                ['medium', 'Medium'],
                ['hard', 'Hard'],
                ['very-hard', 'Very hard'],
              ]}
              onChange={(grade) =>
                change({ hardness: grade ? { grade, by: surface.hardness?.by ?? 'told' } : undefined })
              }
            />
            {surface.hardness ? (
              <SelectField
                label="Known by"
                value={surface.hardness.by}
                options={[
                  ['told', 'Told, or from others like it'],
                  ['test', 'A test spot on it'],
                ]}
                onChange={(by) => change({ hardness: { ...surface.hardness!, by } })}
              />
            ) : (
              <span />
            )}
            <SelectField
              label="Paint system"
              value={surface.paint}
              options={[
                ['factory', 'Factory'],
                ['refinished', 'Refinished'],
                ['single-stage', 'Single stage'],
              ]}
              onChange={(next) => change({ paint: next })}
            />
            <DateField
              label="Refinished on"
              value={surface.refinishedOn ?? ''}
              onChange={(day) => change({ refinishedOn: day || undefined })}
            />
            <div className="col-span-2">
              <NumbersField
                label="Thickness readings, µm"
                numbers={surface.readingsUm}
                onChange={(readings) =>
                  edit(
                    setReadings(
                      surface.id,
                      readings.filter((um) => um >= 0).map((um) => ({ um })),
                    ),
                  )
                }
              />
            </div>
            <NumberField
              optional
              label="Clear coat, if known"
              unit="µm"
              value={surface.clearUm}
              hint={
                surface.clearUm === undefined && clear !== undefined
                  ? `estimated ${clear.toFixed(0)} from readings`
                  : undefined
              }
              check={(value) => (value >= 0 && value < 2000 ? undefined : '0 to 2000 µm')}
              onChange={(clearUm) => change({ clearUm })}
            />
            {paint?.medianUm !== undefined && (
              <p className="self-end text-[14px] text-ink-2">
                Median {um(paint.medianUm)} of {paint.count}
                {paint.verdict !== 'usual' && <strong className="block text-warn">{paint.verdict}</strong>}
              </p>
            )}
          </div>
        </Part>
      )}
      {twin && (
        <Part title="The other side">
          <Button disabled={twinLaid} onClick={() => edit(copyToTwin(surface.id))}>
            Say the same of {surfaceName(twin)}
          </Button>
          <p className="mt-1 text-[13px] text-ink-2">
            What it is made of, what is on it and what goes on it. Marks and readings stay where they were seen.
          </p>
        </Part>
      )}
      <Part title="Take it out">
        <Button
          look="danger"
          disabled={laid}
          onClick={() => {
            edit(removeSurface(surface.id));
            choose(undefined);
          }}
        >
          <Trash2 size={16} /> Remove this surface
        </Button>
        {laid && <p className="mt-1 text-[13px] text-ink-2">Work has been logged on it; its record stays.</p>}
      </Part>
    </>
  );
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

const sameColour = (a: Surface['colour'], b: Surface['colour']) => a?.tone === b?.tone && a?.name === b?.name;

const round = (area: number) => Number(area.toFixed(3));

interface ExistingProps {
  readonly value: readonly FoundId[];
  readonly onChange: (value: FoundId[]) => void;
}

/** Layers found on a surface, bottom first. */
function Existing({ value, onChange }: ExistingProps) {
  return (
    <>
      {value.length === 0 ? (
        <p className="text-[14px] text-ink-2">Nothing was found: the surface counts as bare.</p>
      ) : (
        <ul className="space-y-1">
          {value.map((family, index) => (
            <li key={`${family}-${index}`} className="flex items-center justify-between gap-2">
              {foundName(family)}
              <Button look="quiet" onClick={() => onChange(value.filter((_, other) => other !== index))}>
                Not there
              </Button>
            </li>
          ))}
        </ul>
      )}
      <select
        aria-label="Add a layer that was found"
        className="field mt-2"
        value=""
        onChange={({ target }) => onChange([...value, target.value as FoundId])}
      >
        <option value="" disabled>
          Something was found on it …
        </option>
        {FOUND_IDS.map((family) => (
          <option key={family} value={family}>
            {foundName(family)}
          </option>
        ))}
      </select>
    </>
  );
}
