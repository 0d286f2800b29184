import { MARK_KINDS } from '#core/survey/condition';
import { FAMILIES } from '#core/products/families';
import { STEP_KINDS } from '#core/prepare/steps';
import type { Visit } from '#formats/job';
import { errorText, useItemHistoryQuery, useItemLifeQuery } from '../../app/api';
import { um } from '../../ui/measures';
import { day } from '../../ui/moments';
import { hours } from '../../ui/hours';
import { Suspense, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { later } from '../../ui/later';
import { useNow } from '../../ui/useNow';
import { lifeRows } from './life-rows';
import { OwnersData } from './OwnersData';
import { Warranties } from './Warranties';
import { PageTitle } from '../../ui/PageTitle';

const ItemLifeChart = later(() => import('./ItemLifeChart'));

/** One item through the years, panel by panel or visit by visit. */
export function Component() {
  const { itemId = '' } = useParams();
  const { data: item, error } = useItemHistoryQuery({ id: itemId });
  const [panel, setPanel] = useState('');
  if (error) {
    return (
      <main className="mx-auto max-w-4xl px-6 py-6">
        <h1 className="figure text-3xl">No history to show</h1>
        <p role="alert" className="mt-4 border-l-4 border-stop bg-stop-soft px-4 py-3">
          {errorText(error)}
        </p>
        <p className="mt-4">
          <Link to="/items" className="text-over underline">
            Back to the items
          </Link>
        </p>
      </main>
    );
  }
  if (!item) return null;
  const panels = new Map(item.history.flatMap(({ surfaces }) => surfaces.map(({ surface, name }) => [surface, name])));
  return (
    <main className="mx-auto max-w-4xl px-6 py-6">
      <p className="text-[14px]">
        <Link to="/items" className="underline">
          Items
        </Link>
      </p>
      <div className="flex flex-wrap items-end gap-4">
        <div className="flex-1">
          <PageTitle>{item.name}</PageTitle>
          <h1 className="figure text-3xl">{item.name}</h1>
          <p className="text-ink-2">
            {item.ownerName ?? 'Owner not said'}, {times(item.visits)}
            {item.history.length > item.visits && `, ${item.history.length - item.visits} planned`}
          </p>
        </div>
        <div className="w-60">
          <label htmlFor="panel" className="label block">
            Panel
          </label>
          <select id="panel" className="field" value={panel} onChange={({ target }) => setPanel(target.value)}>
            <option value="">the whole item</option>
            {[...panels].map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </div>
        <Link
          to={`/new?item=${item.id}`}
          className="inline-flex min-h-10 items-center bg-over px-4 font-semibold text-over-ink hover:brightness-110"
        >
          It is here again
        </Link>
      </div>
      <Life itemId={item.id} />
      <ol className="mt-6 space-y-4">
        {item.history.map((visit) => (
          <VisitRow key={visit.jobId} visit={visit} panel={panel} />
        ))}
      </ol>
      <OwnersData itemId={item.id} name={item.ownerName} />
    </main>
  );
}

/** Its life on one axis; only the whole item has one. */
function Life({ itemId }: { readonly itemId: string }) {
  const { data: life } = useItemLifeQuery({ id: itemId });
  const now = useNow(60_000);
  const rows = useMemo(() => life && lifeRows(life, now), [life, now]);
  if (!life || !rows) return null;
  return (
    <>
      <section aria-label="Its life" className="mt-5 border bg-sheet px-2 py-3">
        <h2 className="px-2 font-semibold">Its life</h2>
        <p className="px-2 text-[14px] text-ink-2">
          Each bar from when it was laid to when its first panel wants renewing. At a visit: clear taken, and the least
          that is known to be left.{rows.names.length > rows.own && ' Below: others of its model at the same age.'}
        </p>
        <Suspense fallback={<div className="h-40" />}>
          <ItemLifeChart rows={rows} />
        </Suspense>
      </section>
      <Warranties life={life} nowMs={now} />
    </>
  );
}

const times = (visits: number) => ['not here yet', 'here once', 'here twice'][visits] ?? `here ${visits} times`;

interface Laid {
  readonly product: string;
  readonly family: Visit['surfaces'][number]['laid'][number]['family'];
  readonly panels: string[];
  readonly bare: number;
}

/** Products with the panels they were laid on; a panel done in part is counted. */
function laidAt(surfaces: Visit['surfaces']): Laid[] {
  const byProduct = new Map<string, Laid>();
  for (const { name, laid } of surfaces) {
    for (const { product, family, doneShare } of laid) {
      const known = byProduct.get(product) ?? { product, family, panels: [], bare: 0 };
      byProduct.set(product, {
        ...known,
        panels: [...known.panels, name],
        bare: known.bare + (doneShare < 1 ? 1 : 0),
      });
    }
  }
  return [...byProduct.values()];
}

function VisitRow({ visit, panel }: { readonly visit: Visit; readonly panel: string }) {
  const surfaces = visit.surfaces.filter(({ surface }) => panel === '' || surface === panel);
  const laid = laidAt(surfaces);
  const read = surfaces.filter(({ medianUm }) => medianUm !== null);
  const medians = read.map(({ medianUm }) => medianUm!);
  const marks = surfaces.flatMap((surface) => surface.marks);
  const kinds = [...new Set(marks)].map(
    (kind) => `${MARK_KINDS[kind].name.toLowerCase()} ×${marks.filter((m) => m === kind).length}`,
  );
  return (
    <li className="border bg-sheet">
      <p className="flex items-baseline justify-between border-b px-4 py-2">
        <Link to={`/jobs/${visit.jobId}/survey`} className="font-semibold hover:text-over hover:underline">
          {visit.title}
        </Link>
        <span className="figure">
          {!visit.begun && <span className="text-ink-3">planned for </span>}
          {day(visit.startAt)}
        </span>
      </p>
      <dl className="grid gap-x-6 gap-y-2 px-4 py-3 text-[14px] sm:grid-cols-[8rem_1fr]">
        <dt className="label">Laid</dt>
        <dd>
          {laid.length === 0
            ? visit.begun
              ? 'Nothing'
              : 'Nothing yet'
            : laid.map(({ product, family, panels, bare }) => (
                <p key={product}>
                  <strong>{product}</strong>, {FAMILIES[family].name.toLowerCase()}:{' '}
                  {panels.length > 4 ? `${panels.length} panels` : panels.join(', ').toLowerCase()}
                  {bare > 0 && <span className="text-warn">, {bare} in part only</span>}
                </p>
              ))}
        </dd>
        {visit.prepared.length > 0 && (
          <>
            <dt className="label">Prepared</dt>
            <dd>
              {visit.prepared
                .map(({ kind, workedMin }) => `${STEP_KINDS[kind].name.toLowerCase()} ${hours(workedMin)}`)
                .join(', ')}
            </dd>
          </>
        )}
        <dt className="label">Measured</dt>
        <dd>
          {read.length === 0
            ? 'No thickness was read'
            : `${Math.min(...medians).toFixed(0)} to ${um(Math.max(...medians))} on ${read.length} ${read.length === 1 ? 'panel' : 'panels'}`}
        </dd>
        <dt className="label">Seen</dt>
        <dd>{kinds.length === 0 ? 'No marks' : kinds.join(', ')}</dd>
        {visit.pictures > 0 && (
          <>
            <dt className="label">Pictures</dt>
            <dd>
              <Link className="underline" to={`/jobs/${visit.jobId}/survey?lens=condition`}>
                {visit.pictures}
              </Link>
            </dd>
          </>
        )}
      </dl>
    </li>
  );
}
