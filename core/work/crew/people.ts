import type { CrewMode, Pace } from '#core/work/sections';
import { ALWAYS, type Hours } from './hours';

export const CREW_ROLES = ['lay', 'level'] as const;
export type CrewRole = (typeof CREW_ROLES)[number];

/** Somebody who works on the item: how fast, at what, and when they are there. */
export interface Person extends Pace {
  readonly id: string;
  readonly does: readonly CrewRole[];
  /** Absent: always there. Empty: never. */
  readonly hours?: Hours | undefined;
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

export const hoursOf = ({ hours }: Pick<Person, 'hours'>): Hours => hours ?? ALWAYS;
export const mayDo = ({ does }: Pick<Person, 'does'>, role: CrewRole): boolean => does.includes(role);
