import { sameLayers, type StackLayer } from '#core/choose/stacks';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { ChoicePoint } from '#formats/choice';
import { stackInWords } from '#job/offers';
import { PanelHead, Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import type { JobView } from '../../../job/useJobView';
import { SelectField } from '../../../ui/SelectField';

/** Gives one panel its stack by hand; without layers it is chosen with the rest again. */
export type GivePanel = (id: string, layers: readonly StackLayer[] | undefined) => void;

/** Stacks that any point of the frontier lays on a kind of surface, and none at all. */
function stacksLike(
  substrate: SubstrateId,
  { document }: Pick<JobView, 'document'>,
  points: readonly ChoicePoint[],
): readonly (readonly StackLayer[])[] {
  const alike = new Set(document.surfaces.filter((each) => each.substrate === substrate).map(({ id }) => id));
  const stacks: (readonly StackLayer[])[] = [];
  for (const { id, layers } of points.flatMap(({ surfaces }) => surfaces)) {
    if (alike.has(id) && !stacks.some((known) => sameLayers(known, layers))) stacks.push(layers);
  }
  return stacks.some((layers) => layers.length === 0) ? stacks : [...stacks, []];
}

interface OnPanelProps {
  readonly point: ChoicePoint | undefined;
  readonly points: readonly ChoicePoint[];
  readonly onGive: GivePanel;
}

/** What is proposed for one panel, and whether its planned stack is given. */
export function OnPanel({ point, points, onGive }: OnPanelProps) {
  const job = useJob('chosen', 'document', 'laid', 'productName');
  const { chosen, document, productName, laid } = job;
  if (!chosen) return null;
  const pinned = document.wishes?.pinned ?? [];
  const proposed = point?.surfaces.find(({ id }) => id === chosen.id);
  const others = stacksLike(chosen.substrate, job, points).filter(
    (layers) => proposed && !sameLayers(layers, proposed.layers),
  );
  const inWords = (layers: readonly StackLayer[]) => stackInWords(layers, productName);
  return (
    <>
      <PanelHead>
        <p className="text-ink-2">{SUBSTRATES[chosen.substrate].name}</p>
      </PanelHead>
      <Part title="Planned">
        <p>{inWords(chosen.layers)}</p>
        <label className="mt-2 flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-(--over)"
            checked={pinned.includes(chosen.id)}
            onChange={({ target }) => onGive(chosen.id, target.checked ? chosen.layers : undefined)}
          />
          Keep this: choose the rest around it
        </label>
      </Part>
      {proposed && (
        <Part title="Proposed">
          <p className="font-semibold">{inWords(proposed.layers)}</p>
          <p className="text-[14px] text-ink-2">
            {proposed.layers.length === 0
              ? 'Nothing on the shelf is allowed here, or answers to the wishes.'
              : `Plan for ${Math.round(proposed.lifeMonths)} months.`}
            {proposed.testSpot && ' After a hidden test spot.'}
          </p>
          {!laid.has(chosen.id) && (
            <div className="mt-3">
              <SelectField
                label="Rather by hand, and the rest around it"
                value=""
                options={[
                  ['', 'as proposed'],
                  ...others.map((layers, index) => [String(index), inWords(layers)] as const),
                ]}
                onChange={(index) => onGive(chosen.id, others[Number(index)])}
              />
            </div>
          )}
        </Part>
      )}
    </>
  );
}
