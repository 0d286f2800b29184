import type { LogEntry } from '#formats/log';

/** Who made each entry, where people have accounts. */
export const byOf = (log: readonly Pick<LogEntry, 'id' | 'by'>[]): ReadonlyMap<string, string> =>
  new Map(log.flatMap(({ id, by }) => (by === undefined ? [] : [[id, by] as const])));

/** Whose hands laid a product on a panel, in the order they began; nobody where nobody has an account. */
export type Hands = (surface: string, product: string) => readonly string[];

/** Who laid what, by the log: what was undone or set aside was nobody's. */
export function handsOf(log: readonly Pick<LogEntry, 'id' | 'by' | 'entry'>[]): Hands {
  const undone = new Set(
    log.flatMap(({ entry }) => (entry.type === 'undo' || entry.type === 'set-aside' ? [entry.entry] : [])),
  );
  return (surface, product) => [
    ...new Set(
      log.flatMap(({ id, by, entry }) =>
        by !== undefined &&
        entry.type === 'lay-start' &&
        !undone.has(id) &&
        entry.patch.surface === surface &&
        entry.start.product === product
          ? [by]
          : [],
      ),
    ),
  ];
}
