import { foldLog } from '#core/lay/run';
import { stageNow } from '#core/prepare/stages';
import type { Job } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
import { preparedItem } from '#job/prepare';

/** A visit of an item: the job it is, and what was really done at it. */
export interface ItemVisit {
  readonly document: Job;
  readonly log: readonly LogEntry[];
}

/** Whether anything was done at a visit: a stage was begun, or laying was. One that is only planned, for whenever, is no history. */
export function isHistory({ document, log }: ItemVisit): boolean {
  const { stages, patches } = foldLog(loggedEntries(document.startAt, log));
  return stages.size + patches.size > 0;
}

/** Whether all that a visit was planned to prepare was finished: what was begun and abandoned is not. */
export function isPrepared({ document, log }: ItemVisit): boolean {
  const { stages } = foldLog(loggedEntries(document.startAt, log));
  return stages.size > 0 && stageNow(preparedItem(document).stages, stages) === undefined;
}

/**
 * The visit that says what an item is like now: the last at which something was done; where none was, the last that was
 * to be by now, else the first.
 * @param visits in the order of their beginning
 */
export function lastVisit<Visit extends ItemVisit>(visits: readonly Visit[], nowMs: number): Visit | undefined {
  return (
    visits.findLast(isHistory) ?? visits.findLast(({ document }) => Date.parse(document.startAt) <= nowMs) ?? visits[0]
  );
}
