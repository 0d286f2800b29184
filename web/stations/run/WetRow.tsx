import { MS_PER_MIN } from '#core/measures';
import { patchKey, patchWindow, type RunEntry, type SheetPatch } from '#core/work/run';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { clock, countdown } from '../../ui/moments';
import { windowState } from './instruction';

interface WetRowProps {
  readonly job: JobView;
  readonly current: SheetPatch;
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

/** What else is wet, the oldest first, each with its own window: a tap goes back to it. */
export function WetRow({ job, current, now, disabled, onTap }: WetRowProps) {
  const { planned, record, sheet, document } = job;
  const others = sheet.wet.filter(({ patch }) => patchKey(patch) !== patchKey(current.patch));
  if (others.length === 0) return null;
  const nowMin = (now - Date.parse(document.startAt)) / MS_PER_MIN;
  return (
    <ul aria-label="Also wet" className="mt-3 flex gap-3 overflow-x-auto">
      {others.map((wet) => {
        const { startMin, window } = patchWindow(planned, record, wet, nowMin);
        const ageMin = nowMin - startMin;
        const state = windowState(window, ageMin);
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
          <li key={patchKey(wet.patch)} className={`shrink-0 border-2 px-3 py-2 ${TONE[state]}`}>
            <p className="text-lg font-semibold">
              {job.nameOf(wet.patch.surface)}
              {wet.sections > 1 && ` ${wet.patch.section}/${wet.sections}`}
            </p>
            <p className="figure text-xl">{when}</p>
            <Button
              glove
              className="mt-1"
              disabled={disabled}
              onClick={() => onTap({ type: 'level-start', patch: wet.patch })}
            >
              {byMin === null ? 'Level it' : `Level it, by ${clock(job.at(startMin + byMin))}`}
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
