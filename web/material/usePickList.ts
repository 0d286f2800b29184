import { useMemo } from 'react';
import { NO_KIT } from '#core/prepare/kit';
import { type PickGroup, type PickLine, shortOf } from '#core/lay/pick-list';
import { pickListOf } from '#job/pick';
import { useStockQuery, useTicksQuery } from '../app/api';
import type { JobView } from '../job/useJobView';
import { useWaitingTicks } from '../outbox/useWaitingTaps';

export interface Short {
  readonly line: PickLine;
  readonly has: number;
}

const LOOKS_EVERY_MIN = 10;

/** What a job wants at hand, what of it is ticked off, and what the stock is short of. */
export function usePickList(
  job: Pick<JobView, 'at' | 'document' | 'id' | 'nowMin' | 'plan' | 'prepared' | 'products' | 'record'>,
): {
  readonly groups: readonly PickGroup[];
  readonly ticked: ReadonlySet<string>;
  /** Who ticked a line off, where people have accounts. */
  readonly tickedBy: ReadonlyMap<string, string>;
  readonly short: readonly Short[];
  readonly error: unknown;
} {
  const { document, products, plan, prepared, record } = job;
  // A pad that dries is looked at again now and then, not at every tick of the clock.
  const nowMs = Date.parse(job.at(LOOKS_EVERY_MIN * Math.floor(job.nowMin / LOOKS_EVERY_MIN)));
  const groups = useMemo(
    () =>
      pickListOf(
        { ...document, products },
        { plan, preparation: prepared.preparation, record, kit: prepared.settings.kit ?? NO_KIT, nowMs },
      ),
    [document, products, plan, prepared, record, nowMs],
  );
  // While they are read anew, `data` stands still and would take back what was just ticked.
  const { currentData: ticks, error } = useTicksQuery({ id: job.id });
  const { data: stock } = useStockQuery({});
  const waiting = useWaitingTicks(job.id);
  const ticked = useMemo(() => {
    const lines = new Set(ticks?.map(({ line }) => line));
    for (const [line, isOn] of waiting) {
      if (isOn) lines.add(line);
      else lines.delete(line);
    }
    return lines;
  }, [ticks, waiting]);
  const short = useMemo(() => {
    if (!stock || !ticks) return [];
    const inStock = new Map(stock.totals.map(({ kind, of, good }) => [`${kind}/${of}`, good]));
    return shortOf(groups, ({ kind, of }) => inStock.get(`${kind}/${of}`) ?? 0, ticked);
  }, [groups, stock, ticks, ticked]);
  const tickedBy = useMemo(
    () => new Map(ticks?.flatMap(({ line, by }) => (by === undefined ? [] : [[line, by] as const]))),
    [ticks],
  );
  return { groups, ticked, tickedBy, short, error };
}
