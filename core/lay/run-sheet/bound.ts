import { hoursOf, mayDo, minutesWithin, nextFit, type Person } from '#core/plan/crew';
import { coatMilestones, type SurfaceCoat } from '#core/plan/job';
import type { SheetFrom } from './bay';
import type { Dispatched } from './dispatch';

/** Laying and levelling, in m² at a person's own pace. */
interface Work {
  readonly layM2: number;
  readonly levelM2: number;
}

const workOn = ({ oneM2, layFactor, levelFactor }: SurfaceCoat, share = 1): Work => ({
  layM2: (oneM2 * share) / layFactor,
  levelM2: (oneM2 * share) / levelFactor,
});

/** Halvings of the time that is looked in. */
const HALVINGS = 60;

/**
 * The earliest moment at which a crew, busy through all their hours and shared out as well as can be, has done some
 * work from a moment on: those who lay best beside how they level lay first.
 * @param latestMin by when it is known to be possible
 */
function earliestDone(people: readonly Person[], fromMin: number, work: Work, latestMin: number): number {
  const pace = (person: Person, role: 'lay' | 'level') =>
    !mayDo(person, role) ? 0 : role === 'lay' ? person.layM2PerMin : person.levelM2PerMin;
  const crew = people
    .map((person) => ({ hours: hoursOf(person), lay: pace(person, 'lay'), level: pace(person, 'level') }))
    .sort((a, b) => b.lay * a.level - a.lay * b.level);
  const enough = (atMin: number) => {
    let { layM2, levelM2 } = work;
    for (const { hours, lay, level } of crew) {
      const minutes = minutesWithin(hours, fromMin, atMin);
      const laying = lay > 0 ? Math.min(minutes, layM2 / lay) : 0;
      layM2 -= laying * lay;
      levelM2 -= (minutes - laying) * level;
    }
    return layM2 <= 1e-12 && levelM2 <= 1e-12;
  };
  if (enough(fromMin)) return fromMin;
  let [no, yes] = [fromMin, latestMin];
  for (let step = 0; step < HALVINGS && yes - no > 1e-9; step++) {
    const middle = (no + yes) / 2;
    if (enough(middle)) yes = middle;
    else no = middle;
  }
  return no;
}

/** How long a coat at least stands before it may be levelled, minutes: nothing where the air changes. */
function opensAfter({ coatCase, openingAt }: SurfaceCoat, outsideMin: number): number {
  if (coatCase.ambient.length > 1) return 0;
  return Math.max(0, (openingAt(0).window?.fromMin ?? 0) - outsideMin);
}

/**
 * Minutes from where a sheet begins that nobody could beat with this crew, for what this sheet lays: the work shared
 * out as well as can be; the last section laid has still to open; a coat waits for the one below, and for what it follows.
 */
export function provenBound(sheet: Dispatched, people: readonly Person[], { nowMin, begun }: SheetFrom): number {
  const { endMin } = sheet;
  const laying = sheet.actions.filter(({ does }) => does === 'lay');
  const sum = (does: 'lay' | 'level') =>
    sheet.actions.reduce(
      (m2, { does: own, areaM2, coat }) =>
        own === does ? m2 + areaM2 / (does === 'lay' ? coat.layFactor : coat.levelFactor) : m2,
      0,
    );
  const work: Work = { layM2: sum('lay'), levelM2: sum('level') };
  const outside = new Map(
    sheet.laid.map(({ coat, copy, outsideMin }) => [
      `${coat.surface.id}/${copy}/${coat.layer}/${coat.coat}`,
      outsideMin,
    ]),
  );
  const outsideOf = (coat: SurfaceCoat, copy: number) =>
    outside.get(`${coat.surface.id}/${copy}/${coat.layer}/${coat.coat}`) ?? 0;
  const opens = laying.map(({ coat, copy }) => opensAfter(coat, outsideOf(coat, copy)));
  const bounds = [
    earliestDone(people, nowMin, work, endMin),
    laying.length > 0
      ? earliestDone(people, nowMin, { layM2: work.layM2, levelM2: 0 }, endMin) + Math.min(...opens)
      : nowMin,
    ...(begun.size === 0 ? chainBounds(sheet, people, nowMin, outsideOf) : []),
  ];
  return Math.min(endMin, Math.max(...bounds)) - nowMin;
}

/** The earliest ends of every round of every surface, each after what it lies on and what it follows. */
function chainBounds(
  { laid, endMin: latestMin }: Dispatched,
  people: readonly Person[],
  nowMin: number,
  outsideOf: (coat: SurfaceCoat, copy: number) => number,
): number[] {
  const rounds = new Map<string, { readonly coat: SurfaceCoat; readonly copies: Set<number> }[]>();
  for (const { coat, copy } of laid) {
    const own = rounds.get(coat.surface.id) ?? [];
    const known = own.find((other) => other.coat.layer === coat.layer && other.coat.coat === coat.coat);
    if (known) known.copies.add(copy);
    else own.push({ coat, copies: new Set([copy]) });
    rounds.set(coat.surface.id, own);
  }
  const fastest = Math.max(...people.filter((person) => mayDo(person, 'lay')).map(({ layM2PerMin }) => layM2PerMin));
  const released: (Work & { readonly fromMin: number; readonly opens: number })[] = [];
  const ends = new Map<string, { readonly copyMin: number; readonly allMin: number }>();
  const endOf = (id: string, round: number, onTheWay: ReadonlySet<string> = new Set()) => {
    const key = `${id}/${round}`;
    const seen = ends.get(key);
    if (seen) return seen;
    const own = (rounds.get(id) ?? []).toSorted((a, b) => a.coat.round - b.coat.round);
    const at = own.findIndex(({ coat }) => coat.round === round);
    if (at === -1 || onTheWay.has(key)) return { copyMin: nowMin, allMin: nowMin };
    const { coat, copies } = own[at]!;
    let fromMin = nowMin;
    const below = own[at - 1];
    if (below) {
      const { copyMin } = endOf(id, below.coat.round, onTheWay);
      const { recoatFrom } = coatMilestones(below.coat.coatCase, nowMin, copyMin);
      fromMin = Math.max(copyMin, recoatFrom ?? nowMin);
    }
    const way = new Set([...onTheWay, key]);
    for (const other of coat.surface.follows ?? []) fromMin = Math.max(fromMin, endOf(other, round, way).allMin);
    const hands = people.flatMap((person) => nextFit(hoursOf(person), fromMin, 0) ?? []);
    fromMin = Math.max(fromMin, Math.min(...hands));
    const opens = Math.min(...[...copies].map((copy) => opensAfter(coat, outsideOf(coat, copy))));
    const endAfter = (share: number) => {
      const { layM2, levelM2 } = workOn(coat, share);
      return Math.max(
        earliestDone(people, fromMin, { layM2, levelM2 }, latestMin),
        earliestDone(people, fromMin, { layM2, levelM2: 0 }, latestMin) + opens,
        ...(coat.onePiece ? [fromMin + coat.oneM2 / coat.layFactor / fastest + opens] : []),
      );
    };
    const end = { copyMin: endAfter(1), allMin: endAfter(copies.size) };
    released.push({ fromMin, opens, ...workOn(coat, copies.size) });
    ends.set(key, end);
    return end;
  };
  const each = [...rounds].flatMap(([id, own]) => own.map(({ coat }) => endOf(id, coat.round).allMin));
  return [...each, ...afterReleases(released, people, latestMin)];
}

/** All that cannot begin before a moment has still to be done after it, whatever that moment is. */
function afterReleases(
  released: readonly (Work & { readonly fromMin: number; readonly opens: number })[],
  people: readonly Person[],
  latestMin: number,
): number[] {
  const [work, bounds] = [{ layM2: 0, levelM2: 0 }, [] as number[]];
  let opens = Infinity;
  const latestFirst = released.toSorted((a, b) => b.fromMin - a.fromMin);
  for (const [index, each] of latestFirst.entries()) {
    work.layM2 += each.layM2;
    work.levelM2 += each.levelM2;
    opens = Math.min(opens, each.opens);
    if (latestFirst[index + 1]?.fromMin === each.fromMin) continue;
    bounds.push(earliestDone(people, each.fromMin, work, latestMin));
    bounds.push(earliestDone(people, each.fromMin, { layM2: work.layM2, levelM2: 0 }, latestMin) + opens);
  }
  return bounds;
}
