import { CLOSING_LINES } from '#core/check/checks';
import { answerKey, type RunRecord, type RunSheet } from '#core/lay/run';
import { type Job, surfaceName } from '#formats/job';
import { closingList } from '#job/prepare';

/** A panel on which something planned is not done, and no reason is on record. */
export interface LackingPanel {
  readonly surface: string;
  readonly name: string;
  /** Patches still to be laid or levelled. */
  readonly patches: number;
  /** Coats that are planned and may not be laid. */
  readonly refused: number;
  /** The same panel on the other side, where that one is done. */
  readonly twinDone?: string;
}

export interface ClosingTick {
  /** By it the answer is kept. */
  readonly line: string;
  readonly what: string;
  readonly answer?: 'yes' | 'without';
}

export interface ClosingView {
  readonly lacking: readonly LackingPanel[];
  readonly ticks: readonly ClosingTick[];
  /** Small ends of the item that get nothing, and why. */
  readonly bare: readonly string[];
  /** Every panel done or left with a reason, and every line answered for. */
  readonly isDone: boolean;
}

/** The other side of what lies on both: told by its name. */
const twinOf = (id: string): string | undefined =>
  /-left(-|$)/.test(id)
    ? id.replace('-left', '-right')
    : /-right(-|$)/.test(id)
      ? id.replace('-right', '-left')
      : undefined;

const BARE_WORDS = { 'nothing-planned': 'nothing is planned on it', 'not-in-this-job': 'not in this job' } as const;

/** What is still to be done before the item goes. */
export function closingView(document: Job, sheet: RunSheet, record: RunRecord): ClosingView {
  const names = new Map(document.surfaces.map((surface) => [surface.id, surfaceName(surface)]));
  const todo = new Map<string, number>();
  const done = new Set<string>();
  for (const { patch, state } of sheet.patches) {
    if (state === 'done') done.add(patch.surface);
    else todo.set(patch.surface, (todo.get(patch.surface) ?? 0) + 1);
  }
  const refused = new Map<string, number>();
  for (const { surface } of sheet.refused) refused.set(surface, (refused.get(surface) ?? 0) + 1);
  const lacks = (surface: string) => todo.has(surface) || refused.has(surface);
  const lacking = [...new Set([...todo.keys(), ...refused.keys()])]
    .filter((surface) => !record.left.has(surface))
    .map((surface): LackingPanel => {
      const twin = twinOf(surface);
      const twinDone = twin !== undefined && done.has(twin) && !lacks(twin) ? names.get(twin) : undefined;
      return {
        surface,
        name: names.get(surface) ?? surface,
        patches: todo.get(surface) ?? 0,
        refused: refused.get(surface) ?? 0,
        ...(twinDone !== undefined && { twinDone }),
      };
    });
  // One side done and the other forgotten comes first.
  lacking.sort((a, b) => Number(b.twinDone !== undefined) - Number(a.twinDone !== undefined));
  const ends = closingList(document);
  const lines = [
    ...ends.flatMap(({ what, state }): (readonly [string, string])[] =>
      state === 'look' ? [[`look:${what}`, what]] : [],
    ),
    ...Object.entries(CLOSING_LINES),
  ];
  const ticks = lines.map(([line, what]): ClosingTick => {
    const given = record.answers.get(answerKey('closing', line));
    return {
      line,
      what,
      ...(given && { answer: given.answer }),
    };
  });
  const bare = ends.flatMap(({ what, state }) => (state === 'look' ? [] : [`${what}: ${BARE_WORDS[state]}`]));
  return { lacking, ticks, bare, isDone: lacking.length === 0 && ticks.every(({ answer }) => answer !== undefined) };
}
