import { CLOCK_SKEW_MIN } from '#core/measures';
import { stageKey } from '#core/prepare/stages';
import { type LoggedEntry, type Patch, patchKey, type RunEntry } from './events';
import type { PatchRecord, RunRecord } from './record';

/** What of a job an entry of its log has to fit. */
export interface LoggableJob {
  readonly surfaces: readonly {
    readonly id: string;
    readonly count: number;
    readonly layers: readonly { readonly product: string; readonly coats: number }[];
    readonly marks?: readonly { readonly id: string }[] | undefined;
  }[];
}

/** Nothing is logged of a job that lies further back, minutes: a year and a month before laying starts. */
const EARLIEST_MIN = -396 * 24 * 60;

/** Why an entry does not fit the job as it stands; undefined where it does. */
export function unfit(job: LoggableJob, entry: RunEntry): string | undefined {
  switch (entry.type) {
    case 'air':
    case 'undo':
    case 'set-aside':
    case 'stage-start':
    case 'stage-pause':
    case 'stage-resume':
    case 'stage-end':
    case 'stage-used':
    case 'stage-found':
    case 'run-pause':
    case 'run-resume':
    case 'answered':
    case 'fresh-towel':
    case 'hands-join':
    case 'hands-leave':
    case 'consent':
    case 'released':
    case 'looked':
    case 'remedied':
      return undefined;
    case 'left-out':
    case 'taken-up':
    case 'clear-taken':
    case 'stage-panel':
    case 'bead':
    case 'proof':
      return surfaceOf(job, entry.surface) ? undefined : noPanel(entry.surface);
    case 'mark-outcome': {
      const surface = surfaceOf(job, entry.surface);
      if (!surface) return noPanel(entry.surface);
      return surface.marks?.some(({ id }) => id === entry.mark)
        ? undefined
        : `there is no mark "${entry.mark}" on "${entry.surface}"`;
    }
    case 'lay-start':
      return patchUnfit(job, entry.patch, entry.start);
    default:
      return patchUnfit(job, entry.patch);
  }
}

const surfaceOf = ({ surfaces }: LoggableJob, wanted: string) => surfaces.find(({ id }) => id === wanted);
const noPanel = (id: string) => `this job has no panel "${id}"`;

function patchUnfit(
  job: LoggableJob,
  { surface: id, layer, coat, copy, section }: Patch,
  start?: { readonly product: string; readonly sections: number },
): string | undefined {
  const surface = surfaceOf(job, id);
  if (!surface) return noPanel(id);
  const planned = surface.layers[layer];
  if (!planned) return `no layer ${layer + 1} is planned on "${id}"`;
  if (coat > planned.coats) return `only ${planned.coats} coats of layer ${layer + 1} are planned on "${id}"`;
  if (copy > surface.count) return `there are only ${surface.count} of "${id}"`;
  if (start && start.product !== planned.product) {
    return `"${planned.product}" is planned there, not "${start.product}"`;
  }
  return start && section > start.sections ? `its coat has only ${start.sections} sections` : undefined;
}

/**
 * Why the time of an entry cannot be true; undefined where it can. Minutes on the scale of the job.
 * @param nowMin when it is recorded
 */
export function untimely(record: RunRecord, { entry, atMin }: LoggedEntry, nowMin: number): string | undefined {
  if (atMin > nowMin + CLOCK_SKEW_MIN) return 'its time lies in the future; is the clock of that device right';
  if (atMin < EARLIEST_MIN) return 'its time lies more than a year before the job';
  const before = lastOf(record, entry);
  return before !== undefined && atMin < before - CLOCK_SKEW_MIN
    ? 'it would end before it began; is the clock of that device right'
    : undefined;
}

/** The last moment known of the patch or the stage an entry goes on with. */
function lastOf({ patches, stages }: RunRecord, entry: RunEntry): number | undefined {
  if ('patch' in entry) {
    const patch = patches.get(patchKey(entry.patch));
    return patch && Math.max(...momentsOf(patch));
  }
  const observed = ['stage-used', 'stage-found', 'stage-panel'];
  if (!('stage' in entry) || observed.includes(entry.type)) return undefined;
  const stage = stages.get(stageKey(entry.stage));
  return (
    stage && Math.max(stage.startMin, stage.runningSinceMin ?? -Infinity, stage.pauses.at(-1)?.fromMin ?? -Infinity)
  );
}

/** A fault found does not move a patch on, and is no moment of it. */
const momentsOf = ({ layStartMin, layEndMin, cueMin, levelStartMin }: PatchRecord): number[] =>
  [layStartMin, layEndMin, cueMin, levelStartMin].filter((moment) => moment !== undefined);

/** Entries of a log that the job no longer has a place for: each can be set aside, on record. */
export function strays(job: LoggableJob, log: readonly LoggedEntry[]): LoggedEntry[] {
  const gone = new Set(
    log.flatMap(({ entry }) => (entry.type === 'undo' || entry.type === 'set-aside' ? [entry.entry] : [])),
  );
  return log.filter(({ id, entry }) => !gone.has(id) && unfit(job, entry) !== undefined);
}
