/** What follows from a job's document and its log, in the pieces that change together. */
import { type StandingSurface, standingSurfaces } from '#core/care/upkeep';
import type { PlanInput } from '#core/plan/job';
import {
  type PanelCase,
  type Preparation,
  prepareItem,
  type PrepareSettings,
  type WorkingDay,
  workingDay,
} from '#core/prepare/stages';
import { foldLog, type LoggedEntry, type RunRecord } from '#core/lay/run';
import type { Job } from '#formats/job';
import { airOnceOutside, type Outdoors } from '#job/days';
import { type LogEntry, loggedEntries } from '#formats/log';
import { panelCases } from '#job/prepare';

/** The preparation that follows from a job as it stands, with what was learned of hours. */
export interface PreparedView {
  readonly cases: readonly PanelCase[];
  readonly settings: PrepareSettings;
  readonly preparation: Preparation;
  readonly day: WorkingDay;
}

export function preparedWith(document: Job, settings: PrepareSettings): PreparedView {
  const cases = panelCases(document);
  const preparation = prepareItem(cases, settings);
  return { cases, settings, preparation, day: workingDay(preparation, cases, settings) };
}

/** What was really done, minutes on the job's own scale. */
export interface DoneView {
  readonly log: readonly LoggedEntry[];
  readonly record: RunRecord;
  /** Surfaces on which something has been laid. */
  readonly laid: ReadonlySet<string>;
  readonly begun: boolean;
}

export function doneView(startAt: string, entries: readonly Pick<LogEntry, 'id' | 'at' | 'entry'>[]): DoneView {
  const log = loggedEntries(startAt, entries);
  const record = foldLog(log);
  const laid = new Set([...record.patches.values()].map(({ patch }) => patch.surface));
  return { log, record, laid, begun: record.patches.size > 0 };
}

/**
 * What lies on the item now, panel by panel, cured in its bay and then where it stands since.
 * @param planned with what is really found on it: see `withFoundStill`
 */
export const standingView = (
  planned: PlanInput,
  record: RunRecord,
  owner: Job['owner'],
  outdoors: Outdoors | undefined,
): StandingSurface[] =>
  standingSurfaces({ ...planned, ambient: airOnceOutside(planned.ambient, outdoors) }, record, owner ?? {});
