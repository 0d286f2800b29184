import { type LookState, warrantyStands } from '#core/care/upkeep';
import type { ItemLife } from '#formats/job';
import { day } from '../../ui/moments';

/** What lasts less is no warranty, months. */
const SHORTEST_MONTHS = 12;

const LOOK_WORDS: Readonly<Record<LookState, string>> = {
  kept: 'looked at',
  missed: 'missed',
  due: 'due now',
  'to-come': 'to come',
};

/** What its sheets promise, and whether the yearly look it asks for was kept. */
export function Warranties({ life, nowMs }: { readonly life: ItemLife; readonly nowMs: number }) {
  const visits = life.visits.flatMap(({ at, looked }) => (looked ? [Date.parse(at)] : []));
  const covers = life.visits.flatMap(({ jobId, layers }) =>
    layers.flatMap(({ product, from, ratedMonths, panels }) =>
      ratedMonths !== null && ratedMonths > SHORTEST_MONTHS
        ? [{ key: `${jobId} ${product}`, product, from, months: ratedMonths, panels }]
        : [],
    ),
  );
  if (covers.length === 0) return null;
  return (
    <section aria-label="Warranty" className="mt-5 border bg-sheet px-4 py-3">
      <h2 className="font-semibold">Warranty</h2>
      <ul className="mt-1 text-[14px]">
        {covers.map(({ key, product, from, months, panels }) => {
          const { untilMs, looks, lapsedMs, ended } = warrantyStands(
            { fromMs: Date.parse(from), months },
            visits,
            nowMs,
          );
          const on = (ms: number) => day(new Date(ms).toISOString());
          return (
            <li key={key} className="border-t py-2 first:border-t-0">
              <p>
                <strong>{product}</strong>, {panels} {panels === 1 ? 'panel' : 'panels'}, {months} months to{' '}
                {on(untilMs)}:{' '}
                {lapsedMs !== undefined ? (
                  <strong className="text-warn">lapsed {on(lapsedMs)}, a look was missed</strong>
                ) : ended ? (
                  'has run its time'
                ) : (
                  <strong className="text-ok">stands</strong>
                )}
              </p>
              <p className="text-ink-2">
                {looks.map(({ dueMs, state, atMs }) => `${on(atMs ?? dueMs)} ${LOOK_WORDS[state]}`).join(' · ')}
              </p>
            </li>
          );
        })}
      </ul>
      <p className="mt-1 text-[13px] text-ink-3">
        By the months its sheet rates and a look a year, a month and a half either way; the maker’s own terms decide.
      </p>
    </section>
  );
}
