import { Trash2 } from 'lucide-react';
import { twinOf } from '#core/survey/condition';
import { AREA_SIGMA, areaEstimate, areaRange, shapeAreaM2 } from '#core/item/geometry';
import { gaugeReads } from '#core/survey/paint';
import { SUBSTRATES } from '#core/item/substrates';
import { type Surface, surfaceName } from '#formats/job';
import { changeSurface, copyToTwin, removeSurface } from '#job/edit';
import { PanelHead, Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { Working } from '../../../ui/Working';
import { m2 } from '../../../ui/measures';
import { percent } from '../../../ui/numbers';
import { FoundLayers } from './FoundLayers';
import { MaterialPart } from './MaterialPart';
import { MeasurePart } from './MeasurePart';
import { PaintPart } from './PaintPart';

const SOURCE_WORDS = { template: 'template', tape: 'tape', trace: 'trace over a scaled picture' } as const;

/** All there is to say of one surface at the walk-round. */
export function SurfaceForm({ surface }: { readonly surface: Surface }) {
  const job = useJob('choose', 'document', 'edit', 'laid');
  const { document, edit, choose } = job;
  const change = (changes: Partial<Surface>) => edit(changeSurface(surface.id, changes));
  const { shape, substrate, count, curvature = 1, measuredBy } = surface;
  const areaM2 = shapeAreaM2(shape) * curvature * count;
  const [low, high] = areaRange(areaEstimate(areaM2, measuredBy));
  const laid = job.laid.has(surface.id);
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
      <MaterialPart surface={surface} change={change} />
      <MeasurePart surface={surface} change={change} />
      <Part title="What is on it already">
        <FoundLayers value={surface.existing} onChange={(existing) => change({ existing })} />
      </Part>
      {(gaugeReads(surface) || SUBSTRATES[substrate].polishable) && <PaintPart surface={surface} change={change} />}
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
