import { MS_PER_MIN } from '#core/measures';
import { patchKey, patchWindow, type RunEntry, type SheetPatch, windowState } from '#core/work/run';
import type { JobView } from '../../job/useJobView';
import { useNameOf } from '../../people/api';
import { Countdown } from '../../ui/Countdown';
import { clock, countdown } from '../../ui/moments';

interface Props {
  readonly job: JobView;
  /** The patch that stands large. */
  readonly current?: SheetPatch;
  /** What others have in hand. */
  readonly others: readonly SheetPatch[];
  readonly now: number;
  readonly disabled: boolean;
  readonly onTap: (entry: RunEntry) => void;
}

const TONE = {
  before: 'border-line-strong',
  opening: 'border-line-strong',
  open: 'border-ok bg-ok-soft',
  closing: 'border-warn bg-warn-soft',
  closed: 'border-stop bg-stop-soft',
  none: 'border-line-strong',
} as const;

/** What else is wet, the oldest first, each with its own window, and what others have in hand: a tap takes it over. */
export function Meanwhile({ job, current, others, now, disabled, onTap }: Props) {
  const { planned, record, sheet, document } = job;
  const nameOf = useNameOf();
  const wet = sheet.wet.filter(({ patch }) => !current || patchKey(patch) !== patchKey(current.patch));
  if (wet.length + others.length === 0) return null;
  const nowMin = (now - Date.parse(document.startAt)) / MS_PER_MIN;
  const nameFor = ({ patch, sections }: SheetPatch) =>
    job.nameOf(patch.surface) + (sections > 1 ? ` ${patch.section}/${sections}` : '');
  const named = (patch: SheetPatch) => (
    <strong className="block text-lg leading-tight font-semibold">{nameFor(patch)}</strong>
  );
  return (
    <ul aria-label="Also wet" className="mt-2 flex shrink-0 gap-3 overflow-x-auto">
      {wet.map((each) => {
        const { startMin, window } = patchWindow(planned, record, each, nowMin);
        const ageMin = nowMin - startMin;
        const { fromMin = 0, byMin = null } = window.guarded ?? {};
        const when =
          ageMin < fromMin
            ? `opens in ${countdown(fromMin - ageMin)}`
            : byMin === null
              ? 'open'
              : ageMin > byMin
                ? 'closed'
                : `${countdown(byMin - ageMin)} left`;
        return (
          <li key={patchKey(each.patch)} className="shrink-0">
            <button
              type="button"
              className={`min-h-18 rounded border-2 px-3 py-1.5 text-left disabled:opacity-45 ${TONE[windowState(window, ageMin)]}`}
              aria-label={`Level ${nameFor(each)}, ${when}`}
              disabled={disabled}
              onClick={() => onTap({ type: 'level-start', patch: each.patch })}
            >
              {named(each)}
              <span className="figure text-xl">{when}</span>
              {byMin !== null && <span className="ml-3 text-[15px]">by {clock(job.at(startMin + byMin))}</span>}
            </button>
          </li>
        );
      })}
      {others.map((each) => {
        const done = each.record!;
        const isLaying = each.state === 'laying';
        const who = job.byOf((isLaying ? done.layEntry : done.levelEntry) ?? '');
        const sinceMin = isLaying ? done.layStartMin : (done.levelStartMin ?? done.layStartMin);
        return (
          <li key={patchKey(each.patch)} className="shrink-0">
            <button
              type="button"
              className="min-h-18 rounded border-2 border-dashed border-line-strong px-3 py-1.5 text-left disabled:opacity-45"
              aria-label={`${nameFor(each)} is ${isLaying ? 'laid' : 'level'}`}
              disabled={disabled}
              onClick={() => onTap({ type: isLaying ? 'lay-end' : 'level-end', patch: each.patch })}
            >
              {named(each)}
              <span className="text-lg">
                {isLaying ? 'being laid' : 'being levelled'}
                {who !== undefined && `, ${nameOf(who)}`}{' '}
                <span className="figure">
                  <Countdown startAt={document.startAt} atMin={sinceMin} />
                </span>
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
