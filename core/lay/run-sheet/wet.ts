import {
  ALWAYS,
  hoursOf,
  type Hours,
  inOrder,
  mayDo,
  nextFit,
  type Person,
  SAME_MOMENT_MIN,
  unbrokenUntil,
} from '#core/plan/crew';

/** A section that is laid and not yet levelled. Minutes on the scale of the job. */
export interface WetSection {
  readonly areaM2: number;
  /** Factor on a leveller's own pace. */
  readonly levelFactor: number;
  readonly startMin: number;
  readonly layMin: number;
  /** Who lays it, by their place in the crew. */
  readonly layer: number;
  /** Ages between which every point of it is levelled, minutes. */
  readonly fromMin: number;
  readonly byMin: number;
}

/** The levelling of a wet section: who, and when. */
export interface Levelling<W extends WetSection> {
  readonly wet: W;
  readonly who: number;
  readonly startMin: number;
  readonly endMin: number;
}

/** A crew as those who are asked whether they can be in time. */
export interface Levellers {
  readonly people: readonly Person[];
  readonly hours: readonly Hours[];
  readonly level: readonly boolean[];
  /** When anybody who may level is there. */
  readonly covered: Hours;
}

export function levellersOf(people: readonly Person[]): Levellers {
  const hours = people.map(hoursOf);
  const level = people.map((person) => mayDo(person, 'level'));
  const levelling = hours.filter((_, who) => level[who]);
  const covered = levelling.includes(ALWAYS) ? ALWAYS : inOrder(levelling.flat());
  return { people, hours, level, covered };
}

/**
 * The ages between which somebody may begin to level a section so that both ends of its path lie in its window: along
 * the path the age runs evenly from the first point's to the last one's, and a leveller never passes the layer.
 */
export function beginsBetween(
  wet: WetSection,
  who: number,
  levelMin: number,
): readonly [fromMin: number, byMin: number] {
  const { startMin, layMin, fromMin, byMin, layer } = wet;
  const slower = layMin - levelMin;
  const from = Math.max(startMin + fromMin, startMin + fromMin + slower, who === layer ? startMin + layMin : startMin);
  return [from, Math.min(startMin + byMin, startMin + byMin + slower)];
}

/**
 * Who levels what is wet and when, the first to close first, each as soon as somebody can; undefined where not all of
 * it can be levelled in time, in somebody's hours, and watched until then.
 * @param wets by the moment they close
 * @param freeMin when each of the crew has their hands free
 */
export function levelInTime<W extends WetSection>(
  wets: readonly W[],
  { people, hours, level, covered }: Levellers,
  freeMin: readonly number[],
): Levelling<W>[] | undefined {
  const free = [...freeMin];
  const levels: Levelling<W>[] = [];
  for (const wet of wets) {
    let best: Levelling<W> | undefined;
    for (let who = 0; who < people.length; who++) {
      if (!level[who]) continue;
      const levelMin = wet.areaM2 / (people[who]!.levelM2PerMin * wet.levelFactor);
      const [from, by] = beginsBetween(wet, who, levelMin);
      const own = hours[who]!;
      const soonest = Math.max(from, free[who]!);
      if (soonest > by + SAME_MOMENT_MIN) continue;
      const startMin = own === ALWAYS ? soonest : nextFit(own, soonest, levelMin);
      if (startMin === null || startMin > by + SAME_MOMENT_MIN) continue;
      const endMin = startMin + levelMin;
      const sooner = !best || endMin < best.endMin - SAME_MOMENT_MIN;
      const alike = best && endMin <= best.endMin + SAME_MOMENT_MIN && who === wet.layer;
      if (sooner || alike) best = { wet, who, startMin, endMin };
    }
    if (!best) return undefined;
    if (covered !== ALWAYS && best.endMin > unbrokenUntil(covered, wet.startMin) + SAME_MOMENT_MIN) return undefined;
    free[best.who] = best.endMin;
    levels.push(best);
  }
  return levels;
}
