import { TOWELS_OF } from '#core/products/schools';
import { COATING_TOWEL_M2, consumablesFor, GLOVES_MIN } from '#core/work/quantity';
import { layingSchools } from '#job/plan';
import { Part } from '../../job/Station';
import type { JobView } from '../../job/useJobView';

/** Towels and gloves from the same plan. Working defaults until a shop has counted its own. */
export function Consumables({ job }: { readonly job: JobView }) {
  const coats = job.plan.surfaces.flatMap(({ areaM2, coats: own }) =>
    own.flatMap(({ laid, product }) => (laid ? [{ areaM2, laid, product }] : [])),
  );
  const work = coats.map(({ product, areaM2, laid }) => ({ product, areaM2, minutes: laid.endMin - laid.startMin }));
  const { towelsPerRole, glovePairs } = consumablesFor(work, job.document.crew.mode === 'pair' ? 2 : 1);
  return (
    <Part title="Laid out before the first bottle is opened">
      <ul className="grid grid-cols-2 gap-x-6 gap-y-1 text-[14px]">
        <li>
          <strong>{towelsPerRole}</strong> towels each: {TOWELS_OF[layingSchools(job.document).towels].join(', ')}
        </li>
        <li>
          <strong>{glovePairs}</strong> pairs of nitrile gloves
        </li>
        <li>
          <strong>{job.plan.purchases.reduce((sum, { applicators }) => sum + applicators, 0)}</strong> applicators
        </li>
        <li className="text-ink-2">Used coating towels harden: bin them.</li>
      </ul>
      <p className="mt-2 text-[13px] text-ink-2">
        One towel a role for {COATING_TOWEL_M2} m² a coat; gloves a person every {GLOVES_MIN} min and for each product.
        Gloves or masks short at the start: do not start.
      </p>
    </Part>
  );
}
