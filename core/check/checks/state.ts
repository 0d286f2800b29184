import { CHECK_LIGHTS, type CheckLight, type FoundFault, patchState, type RunRecord } from '#core/lay/run';
import type { HotPlace, Side } from './hot-list';

/** A panel is looked at whole, with all its places, by hand light. */
const panelKey = (surface: string): string => `panel:${surface}`;
/** By the other lights one stands back: a side of the item is looked at whole. Panels that lie on none are one more. */
const sideKey = (side: Side | undefined): string => `side:${side ?? 'apart'}`;

/** Places looked at together: a panel by hand light, a side by the others. */
export interface Look {
  readonly key: string;
  readonly surfaces: readonly string[];
  readonly side: Side | undefined;
  readonly places: readonly HotPlace[];
  readonly seen: boolean;
}

/** Faults nothing was done about yet. */
const openFaults = ({ faults }: Pick<RunRecord, 'faults'>): FoundFault[] =>
  [...faults.values()].filter(({ remedy }) => remedy === undefined);

/** What was mended is looked at again: it stands on the hot list in its own place. */
const mendedPlaces = ({ faults }: Pick<RunRecord, 'faults'>): HotPlace[] =>
  [...faults.values()].flatMap(({ entry, patch, at, remedy }): HotPlace[] =>
    remedy && remedy.how !== 'accepted'
      ? [
          {
            key: `fault:${entry}`,
            surface: patch.surface,
            at: at ?? [0.5, 0.5],
            why: 'fault',
            beside: [],
            notBeforeMin: remedy.atMin,
          },
        ]
      : [],
  );

/** How far checking has come. */
export interface CheckProgress {
  readonly places: readonly HotPlace[];
  /** What is looked at by each light, in the order of the walk. */
  readonly looks: Readonly<Record<CheckLight, readonly Look[]>>;
  readonly open: readonly FoundFault[];
  /** Everything laid is level, every place was looked at by every light, and every fault dealt with. */
  readonly isDone: boolean;
}

/**
 * @param places the hot list in the order of the walk; what was mended comes to it by itself
 * @param sideOf the side of the item a panel lies on
 */
export function checkProgress(
  record: RunRecord,
  places: readonly HotPlace[],
  sideOf: (surface: string) => Side | undefined,
): CheckProgress {
  const worked = lastWorked(record);
  const all = [...places, ...mendedPlaces(record)];
  const isSeen = (place: HotPlace, light: CheckLight): boolean => {
    const since = Math.max(worked.get(place.surface) ?? -Infinity, place.notBeforeMin ?? -Infinity);
    return [place.key, panelKey(place.surface), sideKey(sideOf(place.surface))].some((key) => {
      const atMin = record.looks.get(key)?.get(light);
      return atMin !== undefined && atMin >= since;
    });
  };
  const together = (light: CheckLight): Look[] => {
    const groups = new Map<string, HotPlace[]>();
    for (const place of all) {
      const key = light === 'hand-light' ? panelKey(place.surface) : sideKey(sideOf(place.surface));
      groups.set(key, [...(groups.get(key) ?? []), place]);
    }
    return [...groups].map(([key, own]): Look => ({
      key,
      surfaces: [...new Set(own.map(({ surface }) => surface))],
      side: sideOf(own[0]!.surface),
      places: own,
      seen: own.every((place) => isSeen(place, light)),
    }));
  };
  const looks = Object.fromEntries(
    CHECK_LIGHTS.map((light) => [light, together(light)]),
  ) as unknown as CheckProgress['looks'];
  const open = openFaults(record);
  const isLevel = [...record.patches.values()].every((patch) => patchState(patch) === 'done');
  return {
    places: all,
    looks,
    open,
    isDone: isLevel && open.length === 0 && CHECK_LIGHTS.every((light) => looks[light].every(({ seen }) => seen)),
  };
}

/** When each panel was last levelled, minutes. */
function lastWorked({ patches }: Pick<RunRecord, 'patches'>): ReadonlyMap<string, number> {
  const last = new Map<string, number>();
  for (const { patch, levelEndMin } of patches.values()) {
    if (levelEndMin !== undefined) last.set(patch.surface, Math.max(last.get(patch.surface) ?? -Infinity, levelEndMin));
  }
  return last;
}

/** Where one is in the walk, told in words. */
export const SIDE_WORDS: Readonly<Record<Side, string>> = {
  front: 'Front',
  right: 'Right side',
  rear: 'Rear',
  left: 'Left side',
  top: 'Top',
  under: 'Underneath',
};
