import { type Job, surfaceName } from '#formats/job';

/** Something that was left out of a job and is to be thought of again. */
export interface Reminder {
  readonly what: string;
  /** The day, as 2027-03-31. */
  readonly on: string;
}

/** What is excluded or put off comes back on its day: a wheel that will be swapped, paint that still has to cure. */
export function remindersOf({ prepare, surfaces }: Pick<Job, 'prepare' | 'surfaces'>): Reminder[] {
  const names = new Map(surfaces.map((surface) => [surface.id, surfaceName(surface)]));
  const lines = (prepare?.scope ?? []).flatMap(({ surface, reason, followUp, followUpOn }) =>
    followUpOn === undefined
      ? []
      : [{ name: names.get(surface) ?? surface, words: followUp ?? reason, on: followUpOn }],
  );
  // Four wheels that are swapped on one day are one reminder.
  const together = new Map<string, { readonly names: string[]; readonly words: string; readonly on: string }>();
  for (const { name, words, on } of lines) {
    const known = together.get(`${on} ${words}`);
    if (known) known.names.push(name);
    else together.set(`${on} ${words}`, { names: [name], words, on });
  }
  return [...together.values()]
    .map(({ names: of, words, on }) => ({
      what: `${of.length > 2 ? `${of.length} surfaces` : of.join(' and ')}: ${words}`,
      on,
    }))
    .sort((a, b) => a.on.localeCompare(b.on));
}
