import { arrange, type Arrangement } from '#core/item/nets';
import type { CoatWindow, PlanInput } from '#core/plan/job';
import {
  type CheckPanel,
  type CheckPatch,
  checkProgress,
  type CheckProgress,
  type HotPlace,
  inWalk,
  placesOfRecord,
  placesOnNet,
} from '#core/check/checks';
import { levelledLoaded, patchKey, type PatchRecord, patchWindow, type RunRecord, type RunSheet } from '#core/lay/run';
import { sectionsOf } from '#core/plan/section-map';
import type { Job } from '#formats/job';

/** The net of a job as it is checked, and where faults hide on it. It stands as long as no other panel is laid. */
export interface CheckNet {
  readonly panels: readonly CheckPanel[];
  readonly linework: Arrangement['linework'];
  readonly places: readonly HotPlace[];
}

/** @param laid surfaces on which something lies */
export function checkNet(document: Job, laid: ReadonlySet<string>): CheckNet {
  const { panels, linework } = arrange(document);
  const surfaces = new Map(document.surfaces.map((surface) => [surface.id, surface]));
  const onSheet = panels.map(({ id, outline, overlaid }): CheckPanel => {
    const surface = surfaces.get(id);
    const kind = overlaid ? 'spot' : surface?.piece === 'lamp' ? 'lamp' : KINDS.find(([sign]) => sign.test(id))?.[1];
    return { id, outline, side: surface?.zone, laid: laid.has(id), kind };
  });
  return { panels: onSheet, linework, places: placesOnNet(onSheet, linework) };
}

/** Whose hands made an entry of the record, where people have accounts, and who of them still learns. */
interface Hands {
  readonly byOf: (entry: string) => string | undefined;
  readonly isHelper: (person: string) => boolean;
}
const NOBODY_KNOWN: Hands = { byOf: () => undefined, isHelper: () => false };

/** What to look at once the work is laid, and how far that has come. */
export function checkView(
  { panels, linework, places }: CheckNet,
  planned: PlanInput,
  record: RunRecord,
  sheet: RunSheet,
  { byOf, isHelper }: Hands = NOBODY_KNOWN,
): CheckProgress {
  const outlines = new Map(panels.map(({ id, outline }) => [id, outline]));
  const sides = new Map(panels.map(({ id, side }) => [id, side]));
  const loaded = new Set(levelledLoaded(record, byOf).map(({ patch }) => patchKey(patch)));
  const onRecord = placesOfRecord(panels, [...lastCoats(record).values()].flat().map(toCheck));
  return checkProgress(record, inWalk([...places, ...onRecord], panels), (surface) => sides.get(surface));

  function toCheck(done: PatchRecord): CheckPatch {
    const { patch, start, levelEntry } = done;
    const by = levelEntry === undefined ? undefined : byOf(levelEntry);
    const key = patchKey(patch);
    const onIt = sheet.patches.find((each) => patchKey(each.patch) === key);
    const outline = outlines.get(patch.surface);
    const { sections, areaM2 } = start;
    const strips =
      onIt && outline && sections > 1
        ? sectionsOf(
            { outline, sections, maxM2: onIt.laid.maxSectionM2, areaM2: areaM2 * sections, count: 1 },
            linework,
          )
        : [];
    return {
      key,
      surface: patch.surface,
      section: patch.section,
      sections,
      outline: strips[patch.section - 1],
      lateMin: onIt ? lateness(patchWindow(planned, record, onIt, 0).window, done) : 0,
      loadedTowel: loaded.has(key),
      byHelper: by !== undefined && isHelper(by),
    };
  }
}

/** Seconds are tapped: so little over its window is in it, minutes. */
const IN_TIME_MIN = 0.05;

/**
 * How far a patch was levelled past its window, minutes: it is levelled along the path it was laid, so its first point is
 * as old as levelling began after laying did, its last as levelling ended after laying had.
 */
function lateness(
  { levelByMin }: CoatWindow,
  { layStartMin, layEndMin, levelStartMin, levelEndMin }: PatchRecord,
): number {
  if (levelByMin === null || levelStartMin === undefined || levelEndMin === undefined) return 0;
  const oldestMin = Math.max(levelStartMin - layStartMin, levelEndMin - (layEndMin ?? levelStartMin));
  const overMin = oldestMin - levelByMin;
  return overMin > IN_TIME_MIN ? overMin : 0;
}

/** Parts told by their name on the net. */
const KINDS = [
  [/mirror/, 'mirror'],
  [/spoiler/, 'spoiler'],
  [/pillar/, 'pillar'],
] as const;

/** The patches of the last coat begun on each panel. */
function lastCoats({ patches }: RunRecord): ReadonlyMap<string, readonly PatchRecord[]> {
  const last = new Map<string, PatchRecord[]>();
  for (const done of patches.values()) {
    const { surface, layer, coat, copy } = done.patch;
    const own = last.get(surface);
    const [first] = own ?? [];
    const isSame = first && first.patch.layer === layer && first.patch.coat === coat && first.patch.copy === copy;
    const isLater = !first || layer > first.patch.layer || (layer === first.patch.layer && coat > first.patch.coat);
    if (own && isSame) own.push(done);
    else if (isLater) last.set(surface, [done]);
  }
  return last;
}
