import type { CrewMode, Pace } from '#core/plan/sections';
import { ALWAYS, type Hours, inOrder, within } from './hours';

export const CREW_ROLES = ['lay', 'level'] as const;
export type CrewRole = (typeof CREW_ROLES)[number];

/** Somebody who works on the item: how fast, at what, and when they are there. */
export interface Person extends Pace {
  readonly id: string;
  readonly does: readonly CrewRole[];
  /** Absent: always there. Empty: never. */
  readonly hours?: Hours | undefined;
  /** They wash and correct as well; absent: those who lay do. */
  readonly prepares?: boolean | undefined;
}

/** Who of them prepares: who only levels is called for levelling, unless they said they do. Nobody: all of them. */
export function preparersOf(people: readonly Person[]): readonly Person[] {
  const own = people.filter((person) => person.prepares ?? mayDo(person, 'lay'));
  return own.length > 0 ? own : people;
}

/** Whose hands there are: those named, else one or two alike, always there. */
export function peopleOf(
  crew: Pace & { readonly mode: CrewMode; readonly people?: readonly Person[] | undefined },
): readonly Person[] {
  if (crew.people && crew.people.length > 0) return crew.people;
  const { layM2PerMin, levelM2PerMin } = crew;
  const ids = crew.mode === 'pair' ? ['1', '2'] : ['1'];
  return ids.map((id) => ({ id, layM2PerMin, levelM2PerMin, does: CREW_ROLES }));
}

/** When somebody came to the work, or went from it, in order; what they do, where they came. */
export type HandsTurns = ReadonlyMap<
  string,
  readonly { readonly atMin: number; readonly does?: readonly CrewRole[] }[]
>;

/**
 * Who is there once some came and some went: who went is not there until they come back, who came is there from then
 * on, as fast as whoever was to do it. Where nobody is left who lays, or levels, all who are left do both; where nobody
 * is left at all, nobody has gone: whoever says so is there.
 * @param people as planned
 */
export function withHands(people: readonly Person[], hands: HandsTurns): readonly Person[] {
  if (hands.size === 0) return people;
  const planned = people.map((person): Person => {
    const turns = hands.get(person.id);
    return turns ? { ...person, hours: within(hoursOf(person), presence(turns, true)) } : person;
  });
  const [first] = people;
  const come = [...hands].flatMap(([id, turns]): Person[] => {
    const does = turns.findLast((turn) => turn.does)?.does;
    if (!first || !does || people.some((person) => person.id === id)) return [];
    return [{ ...first, id, does, hours: presence(turns, false) }];
  });
  const all = [...planned, ...come];
  const isThere = ({ id }: Person) => hands.get(id)?.at(-1)?.does !== undefined || !hands.has(id);
  const left = all.filter(isThere);
  if (left.length === 0) return people;
  const isShort = CREW_ROLES.some((role) => !left.some((person) => mayDo(person, role)));
  return isShort ? all.map((person) => (isThere(person) ? { ...person, does: CREW_ROLES } : person)) : all;
}

function presence(
  turns: readonly { readonly atMin: number; readonly does?: readonly CrewRole[] }[],
  there: boolean,
): Hours {
  const stretches: [number, number][] = [];
  let since = there ? -Infinity : undefined;
  for (const { atMin, does } of turns)
    if (does) since ??= atMin;
    else if (since !== undefined) {
      stretches.push([since, atMin]);
      since = undefined;
    }
  return inOrder(since === undefined ? stretches : [...stretches, [since, Infinity]]);
}

export const hoursOf = ({ hours }: Pick<Person, 'hours'>): Hours => hours ?? ALWAYS;
export const mayDo = ({ does }: Pick<Person, 'does'>, role: CrewRole): boolean => does.includes(role);
