import type { Person } from '#core/plan/crew';
import { provenBound } from './bound';
import type { AheadSchool, SurfaceCoat } from '#core/plan/job';
import type { SheetFrom } from './bay';
import { dispatch, type Dispatched } from './dispatch';
import { AHEAD, type First, type Strategy } from './strategy';

/**
 * How long a section may take to lay or to level, as a share of the time until its window closes and of what one of the
 * crew has to do in all: as large as fits, then finer.
 */
const SECTION_SHARES = [Infinity, 1 / 2, 1 / 4, 1 / 8, 1 / 16];
/** Finer sections mean more seams and towels: they have to save this share of the time. */
const FINER_SAVES = 0.02;
/** Actions laid out in all before the best so far is taken: some dozen ways through a large job, all ways through a small one. */
const MOST_ACTIONS = 3800;
/** Nothing more is tried once a sheet is this near to what nobody could beat. */
const NEAR_ENOUGH = 1.0005;

/** A way through the job, by the people of it who take part. */
export interface Found {
  readonly sheet: Dispatched;
  readonly boundMin: number;
}

/**
 * The shortest way through the job that is found: every strategy is tried with everybody, and with fewer where some
 * only hold the others up.
 */
export function shortest(
  coats: readonly (readonly SurfaceCoat[])[],
  people: readonly Person[],
  from: SheetFrom,
  ahead?: AheadSchool,
): Found {
  let best = withCrew(coats, people, people, from, Infinity, ahead)!;
  for (const some of smallerCrews(people)) {
    if (some.length === 0) continue;
    // Never sooner than what fewer hands are proven to need.
    if (best.unlaid.length === 0 && provenBound(best, some, from) >= best.endMin - from.nowMin - ALIKE_MIN) continue;
    const fewer = withCrew(coats, people, some, from, best.unlaid.length === 0 ? best.endMin : Infinity, ahead);
    if (fewer && better(fewer, best)) best = fewer;
  }
  return { sheet: best, boundMin: provenBound(best, people, from) };
}

/** Crews in which some of a few people stand aside. */
function smallerCrews(people: readonly Person[]): readonly Person[][] {
  if (people.length > MOST_CREWS_OF) return people.map((_, out) => people.filter((__, who) => who !== out));
  const crews = Array.from({ length: 2 ** people.length - 2 }, (_, index) =>
    people.filter((__, who) => ((index + 1) >> who) % 2 === 1),
  );
  return crews.sort((a, b) => b.length - a.length);
}
const MOST_CREWS_OF = 4;

function withCrew(
  coats: readonly (readonly SurfaceCoat[])[],
  people: readonly Person[],
  working: readonly Person[],
  from: SheetFrom,
  mostMin: number,
  school: AheadSchool | undefined,
): Dispatched | undefined {
  const crew = people.map((person) => (working.includes(person) ? person : { ...person, hours: [] }));
  const several = working.length > 1;
  const layered = coats.some((own) => own.length > 1);
  const shareMin = shareOfWork(coats, working);
  let best: Dispatched | undefined;
  let spent = 0;
  let bound: { readonly laid: number; readonly min: number } | undefined;
  const nearEnough = (sheet: Dispatched): boolean => {
    if (sheet.unlaid.length > 0) return false;
    if (bound?.laid !== sheet.laid.length) bound = { laid: sheet.laid.length, min: provenBound(sheet, crew, from) };
    return sheet.endMin - from.nowMin <= bound.min * NEAR_ENOUGH;
  };
  for (const alone of [false, true]) {
    for (const share of SECTION_SHARES) {
      const coarser = best;
      for (const strategy of strategiesOf(
        { ofWindow: share, mostMin: share * shareMin, alone },
        several,
        layered,
        school,
      )) {
        const saves = coarser?.unlaid.length === 0 ? (coarser.endMin - from.nowMin) * FINER_SAVES : 0;
        const target = coarser ? { ...coarser, endMin: coarser.endMin - saves } : undefined;
        const beaten = best === coarser ? target : best;
        const cutMin = Math.min(mostMin, beaten && beaten.unlaid.length === 0 ? beaten.endMin : Infinity);
        const found = dispatch(coats, crew, strategy, from, cutMin);
        spent += (found ?? best)?.actions.length ?? coats.length;
        if (found && (!beaten || better(found, beaten))) best = found;
        if (best && (nearEnough(best) || (spent > MOST_ACTIONS && best.unlaid.length === 0))) return best;
      }
    }
    if (!best || best.unlaid.length === 0) break;
  }
  return best;
}

/** What may be begun first: without several coats nothing is upper, and one person alone gains nothing by what is longest. */
const FIRST: readonly First[] = ['lower', 'slowest', 'longest', 'upper'];
/** Finer sections are tried in the ways that most often gain by them. */
const WHEN_FINER = { first: ['slowest', 'longest'], ahead: ['safe', 'quick'] } as const;

function strategiesOf(
  sized: Pick<Strategy, 'ofWindow' | 'mostMin' | 'alone'>,
  several: boolean,
  layered: boolean,
  school: AheadSchool | undefined,
): Strategy[] {
  const finer = Number.isFinite(sized.ofWindow);
  const firsts = finer ? WHEN_FINER.first : FIRST.slice(0, layered ? 4 : several ? 3 : 2);
  const follow = !several ? [false] : finer ? [true] : [true, false];
  return firsts.flatMap((first) =>
    (finer ? WHEN_FINER.ahead : AHEAD)
      .filter((ahead) => school !== 'safe' || ahead === 'safe')
      .flatMap((ahead) => follow.map((followed): Strategy => ({ ahead, followed, first, ...sized }))),
  );
}

/** What one of a crew has to lay and level if it is shared out evenly, minutes. */
function shareOfWork(coats: readonly (readonly SurfaceCoat[])[], people: readonly Person[]): number {
  const sum = (pace: (person: Person) => number) => people.reduce((all, person) => all + pace(person), 0);
  const [lay, level] = [sum(({ layM2PerMin }) => layM2PerMin), sum(({ levelM2PerMin }) => levelM2PerMin)];
  return coats
    .flat()
    .reduce(
      (minutes, { surface, oneM2, layFactor, levelFactor }) =>
        minutes + surface.count * (oneM2 / (layFactor * lay) + oneM2 / (levelFactor * level)),
      0,
    );
}

/** Ends nearer than this are alike, minutes: the one with fewer sections is taken. */
const ALIKE_MIN = 1e-6;

function better(a: Dispatched, b: Dispatched): boolean {
  const order = [
    a.unlaid.length - b.unlaid.length,
    a.refused.length - b.refused.length,
    a.lateCoats - b.lateCoats,
    Math.abs(a.endMin - b.endMin) < ALIKE_MIN ? 0 : a.endMin - b.endMin,
    a.actions.length - b.actions.length,
  ];
  return (order.find((difference) => difference !== 0) ?? 0) < 0;
}
