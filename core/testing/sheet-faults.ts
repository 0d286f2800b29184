/** What is wrong with a laid-out job, found by the rules alone and not by how it was laid out. Empty: nothing. */
import { coatKey, coatMilestones, type CoatName, coatWindow, type PlanInput, surfaceAreaM2 } from '#core/plan/job';
import { METHODS } from '#core/products/methods';
import { peopleOf, type Person } from '#core/plan/crew';
import type { LaidOut, SheetAction } from '#core/lay/run-sheet';

const NEAR = 1e-6;

export function sheetFaults(
  job: PlanInput,
  { actions, refused, unlaid, lostMoves, busyMin, endMin, boundMin }: LaidOut,
): string[] {
  const faults: string[] = [];
  const people = peopleOf(job.crew);
  const say = (holds: boolean, text: string) => {
    if (!holds) faults.push(text);
  };
  const name = ({ coat, copy, section }: SheetAction) =>
    `${coat.surface.id}/${coat.layer}/${coat.coat}/${copy}/${section}`;
  const inside = (who: number, from: number, to: number) =>
    (people[who]!.hours ?? [[-Infinity, Infinity]]).some(([a, b]) => from >= a - NEAR && to <= b + NEAR);
  const watched = (from: number, to: number) => isWatched(people, from, to);

  for (const [who, person] of people.entries()) {
    const own = actions.filter((action) => action.who === who);
    for (const [index, action] of own.entries()) {
      say(person.does.includes(action.does), `${name(action)}: ${person.id} does not ${action.does}`);
      say(inside(who, action.startMin, action.endMin), `${name(action)}: outside the hours of ${person.id}`);
      const before = own[index - 1];
      if (before) say(before.endMin <= action.startMin + NEAR, `${person.id} does two things at ${action.startMin}`);
      const pace =
        action.does === 'lay'
          ? person.layM2PerMin * METHODS[action.coat.method].pace * action.coat.product.layPace
          : person.levelM2PerMin * action.coat.product.levelPace;
      say(
        Math.abs(action.areaM2 / pace - (action.endMin - action.startMin)) < NEAR,
        `${name(action)}: not at their pace`,
      );
    }
    const busy = own.reduce((sum, { startMin, endMin: to }) => sum + to - startMin, 0);
    say(Math.abs(busy - busyMin[who]!) < NEAR, `${person.id} is busy ${busy}, not ${busyMin[who]}`);
  }

  const byPatch = new Map<string, SheetAction[]>();
  for (const action of actions) byPatch.set(name(action), [...(byPatch.get(name(action)) ?? []), action]);
  for (const [patch, both] of byPatch) {
    const lay = both.find(({ does }) => does === 'lay');
    const level = both.find(({ does }) => does === 'level');
    say(both.length === 2 && lay !== undefined && level !== undefined, `${patch}: not laid once and levelled once`);
    if (!lay || !level) continue;
    const { coat } = lay;
    const { guarded, verdict } = coatWindow(coat.coatCase, lay.startMin, job.crew.guardSigma);
    say(verdict !== 'closed', `${patch}: its window is closed`);
    const ages = [level.startMin - lay.startMin, level.endMin - lay.endMin];
    const tooLarge = coat.onePiece && both[0]!.sections === 1;
    const out = Math.max(...ages.map((age) => Math.max(guarded!.fromMin - age, age - (guarded!.byMin ?? Infinity), 0)));
    if (!tooLarge) say(out < NEAR, `${patch}: ${out} min outside its window`);
    if (lay.who === level.who)
      say(level.startMin >= lay.endMin - NEAR, `${patch}: one pair of hands does both at once`);
    say(watched(lay.startMin, level.endMin), `${patch}: left wet over a break`);
    say(
      Math.abs(level.ages![0] - ages[0]!) + Math.abs(level.ages![1] - ages[1]!) < NEAR,
      `${patch}: ages are not its own`,
    );
  }

  interface Coat {
    readonly first: number;
    readonly last: number;
    readonly parts: SheetAction[];
  }
  const coatOf = (surface: string, round: number, copy: number): Coat | undefined => {
    const parts = actions.filter(
      ({ coat, copy: own }) => coat.surface.id === surface && coat.round === round && own === copy,
    );
    if (parts.length === 0) return undefined;
    return {
      parts,
      first: Math.min(...parts.map(({ startMin }) => startMin)),
      last: Math.max(...parts.map(({ endMin: to }) => to)),
    };
  };
  const laysOf = ({ surface, layer, coat }: CoatName) =>
    actions.filter(
      (action) =>
        action.does === 'lay' &&
        action.coat.surface.id === surface &&
        action.coat.layer === layer &&
        action.coat.coat === coat,
    );
  const moves = job.moves ?? [];
  for (const [index, move] of moves.entries()) {
    const isLast = moves.slice(index + 1).every((other) => coatKey(other) !== coatKey(move));
    if (!isLast || lostMoves.some((lost) => lost.move === move)) continue;
    const own = laysOf(move);
    if (move.by !== undefined)
      say(
        own.every(({ who }) => people[who]!.id === move.by),
        `${coatKey(move)}: not laid by ${move.by}`,
      );
    const before = move.after ? laysOf(move.after) : [];
    if (own.length === 0 || before.length === 0) continue;
    say(
      Math.min(...own.map(({ startMin }) => startMin)) >= Math.max(...before.map(({ endMin: to }) => to)) - NEAR,
      `${coatKey(move)}: laid before what it was moved behind`,
    );
  }
  for (const surface of job.surfaces) {
    const rounds = surface.layers.reduce((sum, { coats }) => sum + coats, 0);
    for (let copy = 1; copy <= surface.count; copy++) {
      let below: Coat | undefined;
      for (let round = 0; round < rounds; round++) {
        const own = coatOf(surface.id, round, copy);
        const out = [...refused.map(({ coat }) => coat), ...unlaid].some(
          (coat) => coat.surface.id === surface.id && coat.round === round,
        );
        say(own !== undefined || out, `${surface.id}: round ${round} of copy ${copy} is neither laid nor refused`);
        if (!own) continue;
        const { sections } = own.parts[0]!;
        const laid = own.parts.filter(({ does }) => does === 'lay');
        if (!out) say(laid.length === sections && own.parts.length === 2 * sections, `${surface.id}: not all sections`);
        const area = laid.reduce((sum, { areaM2 }) => sum + areaM2, 0);
        if (!out) say(Math.abs(area - surfaceAreaM2(surface)) < NEAR, `${surface.id}: ${area} m² laid`);
        if (below) {
          const { coat } = below.parts[0]!;
          const { recoatFrom } = coatMilestones(coat.coatCase, below.first, below.last);
          say(
            own.first >= Math.max(below.last, recoatFrom ?? below.last) - NEAR,
            `${surface.id}: round ${round} too early`,
          );
        }
        for (const other of surface.follows ?? []) {
          const count = job.surfaces.find(({ id }) => id === other)?.count ?? 0;
          for (let twin = 1; twin <= count; twin++) {
            const before = coatOf(other, round, twin);
            if (before) say(own.first >= before.last - NEAR, `${surface.id}: round ${round} before ${other}`);
          }
        }
        below = own;
      }
    }
  }
  say(
    actions.every(({ startMin }) => startMin >= -NEAR),
    'something begins before the start',
  );
  const last = Math.max(0, ...actions.map(({ endMin: to }) => to));
  say(Math.abs(last - endMin) < NEAR, `it ends at ${last}, not at ${endMin}`);
  say(boundMin <= endMin + NEAR, `the bound ${boundMin} lies after the end ${endMin}`);
  return faults;
}

/** From one moment to another there is always somebody in hours who may level. */
function isWatched(people: readonly Person[], from: number, to: number): boolean {
  const stretches = people
    .filter(({ does }) => does.includes('level'))
    .flatMap(({ hours }) => hours ?? [[-Infinity, Infinity] as const])
    .toSorted((a, b) => a[0] - b[0]);
  let at = from;
  for (const [a, b] of stretches) if (a <= at + NEAR) at = Math.max(at, b);
  return at >= to - NEAR;
}
