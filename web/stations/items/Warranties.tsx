import { type LookState, warrantyStands } from '#core/care/upkeep';
import type { ItemLife } from '#formats/job';
import { day } from '../../ui/moments';

const LOOK_WORDS: Readonly<Record<LookState, string>> = {
  kept: 'inspected',
  missed: 'missed',
  due: 'due now',
  'to-come': 'to come',
};

/** What the workshop granted, and whether it was inspected as that asks. */
export function Warranties({ life, nowMs }: { readonly life: ItemLife; readonly nowMs: number }) {
  const visits = life.visits.flatMap(({ at, looked }) => (looked ? [Date.parse(at)] : []));
  const covers = life.visits.flatMap(({ jobId, layers, inspectionDays, warrantyNumber }) =>
    layers.flatMap(({ product, from, grantedMonths, panels }) =>
      grantedMonths === null
        ? []
        : [
            {
              key: `${jobId} ${product}`,
              product,
              from,
              months: grantedMonths,
              panels,
              everyDays: inspectionDays,
              number: warrantyNumber,
            },
          ],
    ),
  );
  if (covers.length === 0) return null;
  return (
    <section aria-label="Warranty" className="mt-5 border bg-sheet px-4 py-3">
      <h2 className="font-semibold">Warranty</h2>
      <ul className="mt-1 text-[14px]">
        {covers.map(({ key, product, from, months, panels, everyDays, number }) => {
          const { untilMs, looks, lapsedMs, ended } = warrantyStands(
            { fromMs: Date.parse(from), months, everyDays },
            visits,
            nowMs,
          );
          const on = (ms: number) => day(new Date(ms).toISOString());
          return (
            <li key={key} className="border-t py-2 first:border-t-0">
              <p>
                <strong>{product}</strong>
                {number !== null && `, number ${number}`}, {panels} {panels === 1 ? 'panel' : 'panels'}, {months} months
                to {on(untilMs)}:{' '}
                {lapsedMs !== undefined ? (
                  <strong className="text-warn">lapsed {on(lapsedMs)}, an inspection was missed</strong>
                ) : ended ? (
                  'ended'
                ) : (
                  <strong className="text-ok">valid</strong>
                )}
              </p>
              <p className="text-ink-2">
                {looks.length > 0 && 'Inspections: '}
                {looks.map(({ dueMs, state, atMs }) => `${on(atMs ?? dueMs)} ${LOOK_WORDS[state]}`).join(' · ')}
              </p>
            </li>
          );
        })}
      </ul>
      <p className="mt-1 text-[13px] text-ink-3">
        As the workshop granted it. An inspection counts a month and a half either way.
      </p>
    </section>
  );
}
