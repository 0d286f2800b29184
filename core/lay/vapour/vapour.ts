import { concentrationMgPerM3 } from '#core/time/air';
import { millilitres, type Product, vocOf } from '#core/products/sheets';
import type { LaidOut } from '#core/lay/run-sheet';

/** Solvent that leaves one product over a stretch of time. Minutes on the scale of the job. */
export interface Release {
  readonly atMin: number;
  readonly overMin: number;
  readonly grams: number;
  /** What a person may breathe, by its safety sheet, mg/m³; undefined where nobody wrote it down. */
  readonly limitMgPerM3: number | undefined;
  readonly lowerExplosiveMgPerM3: number;
}

export interface Room {
  readonly volumeM3: number;
  readonly airChangesPerHour: number;
}

/** Vapour at a moment. */
export interface Vapour {
  readonly mgPerM3: number;
  /** Of the limits of all that is in the air together, 1 being all there may be; undefined where no limit is known. */
  readonly ofLimit: number | undefined;
  /** Of the lower explosive limit. */
  readonly ofExplosive: number;
}

/** What the air of a room becomes over a run sheet. */
export interface RoomVapour {
  readonly peak: Vapour;
  readonly peakMin: number;
  /** When it may be breathed without a mask again, once all is laid; null: never without air changes. */
  readonly clearMin: number | null;
  /** Fewest air changes an hour at which it stays under its limits; null: more than a fan makes. */
  readonly neededPerHour: number | null;
}

/**
 * Vapour of common solvents begins to burn at about one per cent of the air by volume, some 40 g/m³ at a molar mass of
 * 100 g. Engineering default where the safety sheet's figure was not entered.
 */
export const USUAL_LOWER_EXPLOSIVE_G_PER_M3 = 40;
/** Alarms and rules of work begin at a tenth of the lower explosive limit. */
export const EXPLOSIVE_ALARM = 0.1;
/** Without a limit the room counts as clear at this share of its peak. */
const CLEAR_SHARE_OF_PEAK = 0.1;
/** More than a workshop's fan makes, an hour. */
const MOST_PER_HOUR = 100;
/** What stays open for less than this still goes into the air over so many minutes. */
const SHORTEST_RELEASE_MIN = 1;

/**
 * What the laying of a run sheet lets into the air: each patch its solvent, evenly from the first stroke until it is
 * levelled.
 * @param limitMgPerM3 of the room, where somebody set one: it goes for every product
 */
export function releasesOf(
  actions: LaidOut['actions'],
  products: ReadonlyMap<string, Product>,
  limitMgPerM3?: number,
): Release[] {
  const patchOf = ({ coat, copy, section }: LaidOut['actions'][number]) =>
    `${coat.surface.id}/${coat.layer}/${coat.coat}/${copy}/${section}`;
  const levelled = new Map(
    actions.flatMap((action) => (action.does === 'level' ? [[patchOf(action), action.endMin]] : [])),
  );
  return actions.flatMap((action): Release[] => {
    const product = products.get(action.coat.product.id);
    if (action.does !== 'lay' || !product || vocOf(product) <= 0) return [];
    const endMin = Math.max(action.endMin, levelled.get(patchOf(action)) ?? action.endMin);
    return [
      {
        atMin: action.startMin,
        overMin: Math.max(SHORTEST_RELEASE_MIN, endMin - action.startMin),
        grams: (millilitres(product, action.amount ?? 0) / 1000) * vocOf(product),
        limitMgPerM3: limitMgPerM3 ?? product.limitMgPerM3,
        lowerExplosiveMgPerM3: 1000 * (product.lowerExplosiveGPerM3 ?? USUAL_LOWER_EXPLOSIVE_G_PER_M3),
      },
    ];
  });
}

/** Vapour in a well-mixed room at a moment: what each release left of itself, and together the shares of their limits. */
export function vapourAt(releases: readonly Release[], room: Room, atMin: number): Vapour {
  let [mgPerM3, ofLimit, ofExplosive] = [0, 0, 0];
  let isLimited = false;
  for (const { atMin: fromMin, overMin, grams, limitMgPerM3, lowerExplosiveMgPerM3 } of releases) {
    const own = concentrationMgPerM3({ ...room, grams, overMin }, atMin - fromMin);
    mgPerM3 += own;
    ofExplosive += own / lowerExplosiveMgPerM3;
    if (limitMgPerM3 === undefined) continue;
    isLimited = true;
    ofLimit += own / limitMgPerM3;
  }
  return { mgPerM3, ofLimit: isLimited ? ofLimit : undefined, ofExplosive };
}

/** How near vapour is to the nearer of its two limits, 1 being as much as there may be. */
const burden = ({ ofLimit = 0, ofExplosive }: Vapour): number => Math.max(ofLimit, ofExplosive / EXPLOSIVE_ALARM);

/** The air of a room over a run sheet: how high it rises, when it is clear, what it takes to stay under the limits. */
export function roomVapour(releases: readonly Release[], room: Room): RoomVapour | undefined {
  if (releases.length === 0) return undefined;
  const { peak, peakMin } = worst(releases, room);
  const lastMin = Math.max(...releases.map(({ atMin, overMin }) => atMin + overMin));
  return { peak, peakMin, clearMin: clearFrom(releases, room, lastMin, peak), neededPerHour: needed(releases, room) };
}

/** Between two moments at which a release begins or ends vapour only rises or only falls: the worst is at one of them. */
function worst(releases: readonly Release[], room: Room) {
  const moments = new Set(releases.flatMap(({ atMin, overMin }) => [atMin, atMin + overMin]));
  let [peak, peakMin] = [vapourAt(releases, room, releases[0]!.atMin), releases[0]!.atMin];
  for (const atMin of moments) {
    const vapour = vapourAt(releases, room, atMin);
    if (burden(vapour) > burden(peak)) [peak, peakMin] = [vapour, atMin];
  }
  return { peak, peakMin };
}

/** After the last release all of it decays together. */
function clearFrom(releases: readonly Release[], room: Room, lastMin: number, peak: Vapour): number | null {
  const last = vapourAt(releases, room, lastMin);
  const over = Math.max(
    peak.ofLimit === undefined ? last.mgPerM3 / (CLEAR_SHARE_OF_PEAK * peak.mgPerM3) : last.ofLimit!,
    last.ofExplosive / EXPLOSIVE_ALARM,
  );
  if (over <= 1) return lastMin;
  return room.airChangesPerHour <= 0 ? null : lastMin + (Math.log(over) * 60) / room.airChangesPerHour;
}

function needed(releases: readonly Release[], room: Room): number | null {
  const holds = (airChangesPerHour: number) => burden(worst(releases, { ...room, airChangesPerHour }).peak) <= 1;
  if (holds(0)) return 0;
  if (!holds(MOST_PER_HOUR)) return null;
  let [low, high] = [0, MOST_PER_HOUR];
  while (high - low > 0.05) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}
