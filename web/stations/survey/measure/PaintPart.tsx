import { clearEstimateUm, judgeReadings } from '#core/survey/paint';
import { changeSurfaces, setReadings } from '#job/edit';
import type { Surface } from '#formats/job';
import { useJob } from '../../../job/job-context';
import { Part } from '../../../job/Station';
import { Button } from '../../../ui/Button';
import { DateField } from '../../../ui/DateField';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { TextField } from '../../../ui/TextField';
import { um } from '../../../ui/measures';
import type { SurfacePartProps } from './MaterialPart';
import { NumbersField } from './ShapeForm';

export const HARDNESS_OPTIONS = [
  ['soft', 'Soft'],
  ['medium', 'Medium'],
  ['hard', 'Hard'],
  ['very-hard', 'Very hard'],
] as const;
export const PAINT_OPTIONS = [
  ['factory', 'Factory'],
  ['refinished', 'Refinished'],
  ['single-stage', 'Single stage'],
] as const;

/** The paint of a surface: its colour, how hard it is, who sprayed it, and what the gauge reads. */
export function PaintPart({ surface, change }: SurfacePartProps) {
  const { document, edit, planned } = useJob('document', 'edit', 'planned');
  const paint = judgeReadings(planned.surfaces)[document.surfaces.indexOf(surface)];
  const clear = clearEstimateUm(surface, paint);
  const alike = document.surfaces
    .filter((other) => other.substrate === surface.substrate && !sameColour(other.colour, surface.colour))
    .map(({ id }) => id);
  return (
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
          options={[['', 'not known'], ...HARDNESS_OPTIONS]}
          onChange={(grade) => change({ hardness: grade ? { grade, by: surface.hardness?.by ?? 'told' } : undefined })}
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
          options={PAINT_OPTIONS}
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
  );
}

const sameColour = (a: Surface['colour'], b: Surface['colour']) => a?.tone === b?.tone && a?.name === b?.name;
