import { useMemo, useState } from 'react';
import { arrange } from '#core/item/nets';
import { changeSurface, type Edit, inOrder } from '#job/edit';
import { type CoatSections, sectionPlan } from '#job/sections';
import { Part, Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { SelectField } from '../../ui/SelectField';
import { m2 } from '../../ui/measures';
import { OrderOfWork } from './OrderOfWork';
import { OrderSchools } from './OrderSchools';
import { PanelSections } from './PanelSections';
import { ViewSwitch } from './ViewSwitch';
import { inUnit } from '../../material/product-words';
import { sectionsOverlay } from './sections-overlay';

const LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Not in this coat' },
  { fill: 'tint-2', text: 'In sections, each laid in one go' },
  { fill: 'tint-4', text: 'One piece, whatever its size' },
  { fill: 'stop', text: '✕ Larger than today’s limit' },
];

/** The sections of a coat on the sheet itself: what is laid in one go, in which order, with how much. */
export function SectionPlan() {
  const job = useJob('chosen', 'document', 'edit', 'plan', 'productName', 'products');
  const { document, plan, chosen } = job;
  const arrangement = useMemo(() => arrange(document), [document]);
  const coats = useMemo(() => sectionPlan(document, plan, arrangement), [document, plan, arrangement]);
  const [wanted, setWanted] = useState<string>();
  const [waiting, setWaiting] = useState(false);
  const shown = coats.find(({ key }) => key === wanted) ?? coats[0];
  const lens = useMemo(() => sectionLens(shown), [shown]);
  const overlay = useMemo(
    () => sectionsOverlay(shown?.patches ?? [], (amount) => said(job, shown, amount)),
    [shown, job],
  );
  const onPlace = (id: string): boolean => {
    if (!waiting || !chosen || id === chosen.id) return false;
    setWaiting(false);
    job.edit(toggleFollows(job, chosen.id, id));
    return true;
  };
  return (
    <Station
      lens={lens}
      legend={LEGEND}
      lensName="section by section"
      headline={
        <div className="flex flex-wrap items-end gap-4">
          <ViewSwitch />
          {shown && (
            <SelectField
              label="Coat"
              value={shown.key}
              options={coats.map(({ key, product, coat }) => [
                key,
                `${job.productName(product)}${coat > 1 ? `, coat ${coat}` : ''}`,
              ])}
              onChange={setWanted}
            />
          )}
        </div>
      }
      names={false}
      tool={{ overlay }}
      onPlace={onPlace}
    >
      {!shown && (
        <p className="p-6 text-ink-2">
          Nothing is to be laid yet. Choose products under Layer; sections follow by themselves.
        </p>
      )}
      {shown && chosen && (
        <PanelSections
          surface={chosen}
          patches={shown.patches}
          said={(amount) => said(job, shown, amount)}
          waiting={waiting}
          onWait={setWaiting}
        />
      )}
      {shown && !chosen && (
        <>
          <section className="border-b bg-sheet px-5 py-4">
            <h2 className="label">{job.productName(shown.product)}</h2>
            <p className="figure text-3xl">
              {shown.patches.length} {shown.patches.length === 1 ? 'patch' : 'patches'}
            </p>
            <p className="text-ink-2">
              {m2(shown.patches.reduce((sum, { areaM2 }) => sum + areaM2, 0))}, cut on body lines where today’s limit
              lets them, out of the middle where the eye goes
            </p>
          </section>
          <Part title="Order of work">
            <OrderSchools arrangement={arrangement} />
            <OrderOfWork
              patches={shown.patches}
              said={(amount) => said(job, shown, amount)}
              onMove={(ids) => job.edit(inOrder(ids))}
            />
          </Part>
        </>
      )}
    </Station>
  );
}

function said({ products }: Pick<JobView, 'products'>, shown: CoatSections | undefined, amount: number): string {
  const product = products.find(({ id }) => id === shown?.product);
  return product ? inUnit(product, amount) : '';
}

function sectionLens(shown: CoatSections | undefined) {
  const paints = new Map<string, PanelPaint>();
  for (const { pieces, onePiece, tooLarge, number } of shown?.patches ?? []) {
    for (const { surface } of pieces) {
      const before = paints.get(surface)?.caption;
      paints.set(surface, {
        fill: tooLarge ? 'stop' : onePiece ? 'tint-4' : 'tint-2',
        caption: before ? `${before}, ${number}` : `${number}`,
        ...(tooLarge && { sign: 'no' }),
      });
    }
  }
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}

/** A panel waits for another, or no longer; what would come to wait for itself is left as it is. */
function toggleFollows({ document }: Pick<JobView, 'document'>, id: string, other: string): Edit {
  const follows = new Map(document.surfaces.map((surface) => [surface.id, surface.follows ?? []]));
  const own = follows.get(id) ?? [];
  const next = own.includes(other) ? own.filter((each) => each !== other) : [...own, other];
  return waitsFor(follows, other, id, new Set()) ? (draft) => draft : changeSurface(id, { follows: next });
}

/** Whether a panel waits for another already, by whatever way round. */
function waitsFor(
  follows: ReadonlyMap<string, readonly string[]>,
  id: string,
  wanted: string,
  seen: Set<string>,
): boolean {
  if (id === wanted) return true;
  if (seen.has(id)) return false;
  seen.add(id);
  return (follows.get(id) ?? []).some((other) => waitsFor(follows, other, wanted, seen));
}
