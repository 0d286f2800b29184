import isEqual from 'fast-deep-equal';
import { useMemo } from 'react';
import {
  type HandRole,
  nextFor,
  type NextThing,
  patchKey,
  patchWindow,
  type SheetPatch,
  windowState,
} from '#core/lay/run';
import type { JobView } from '../../job/useJobView';
import { useSteady } from '../../ui/useSteady';
import { useHand } from '../../bay/hand';
import { useNowAmong } from './useAge';

export interface Led {
  readonly role: HandRole;
  /** Undefined: nothing is left for the hands at this screen. */
  readonly next: NextThing | undefined;
  /** What is not in these hands: being laid or levelled by others, the oldest first. */
  readonly others: readonly SheetPatch[];
}

/** The next thing for the hands at this screen, by the windows of all that is wet. */
export function useNext(
  job: Pick<JobView, 'document' | 'planned' | 'record' | 'sheet'>,
  wish: string | undefined,
): Led {
  const { planned, record, sheet, document } = job;
  const { role, began } = useHand();
  // The window of what is laid stands: only its age grows.
  const windows = useMemo(
    () => new Map(sheet.wet.map((wet) => [patchKey(wet.patch), patchWindow(planned, record, wet, wet.startMin)])),
    [planned, record, sheet.wet],
  );
  // Something else is more urgent from the moment on a window becomes another.
  const nowMin = useNowAmong(
    document.startAt,
    useMemo(() => [...windows.values()], [windows]),
  );
  const found = nextFor(sheet, { role, began, wish }, (wet) => {
    const { window, startMin } = windows.get(patchKey(wet.patch))!;
    const ageMin = nowMin - startMin;
    return { state: windowState(window, ageMin), opensInMin: (window.guarded?.fromMin ?? Infinity) - ageMin };
  });
  const others =
    role === 'all'
      ? NONE
      : sheet.patches
          .filter(
            (patch) =>
              (patch.state === 'laying' && !began(patch, 'lay')) ||
              (patch.state === 'levelling' && !began(patch, 'level')),
          )
          .sort((a, b) => a.startMin - b.startMin);
  // The rest laid out anew leaves what is in hand as it is.
  const next = useSteady(found, isEqual);
  return { role, next, others };
}

const NONE: readonly never[] = [];
