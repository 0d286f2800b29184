import type { PickGroup } from '#core/lay/pick-list';
import type { Need } from '#core/prepare/stages';
import type { StillToDo } from '#job/prepare';
import { answerKey, type RunRecord } from '#core/lay/run';

/** One thing that has to be there before the first patch. */
export interface ChecklistLine {
  /** By it the answer is kept. */
  readonly line: string;
  readonly what: string;
  /** Worn against harm: it is there, or nobody begins. */
  readonly protective?: true;
  /** Nothing is laid without it: it is done, or somebody says that it was. */
  readonly needed?: true;
  /** `met`: known to be so. `yes`, `without`: answered for by hand. Absent: still asked. */
  readonly state?: 'met' | 'yes' | 'without';
  /** What is known to be wrong with it. */
  readonly trouble?: string;
}

interface Asked {
  /** What the job wants at hand. */
  readonly groups: readonly PickGroup[];
  readonly record: Pick<RunRecord, 'answers'>;
  /** What nobody has ticked off though laying needs it. */
  readonly still: readonly StillToDo[];
  /** Of the first patch. */
  readonly product: string;
  /** Whether its window opens, and holds, in the air of now. */
  readonly airHolds: boolean;
  /** Whether a bottle of it is chosen; undefined where none is kept in stock. */
  readonly hasBottle: boolean | undefined;
  /** Whether the item has doors and lids whose edges are reached from inside. */
  readonly hasDoors: boolean;
}

const NEED_WORDS: Readonly<Record<Need, string>> = {
  wash: 'Washed',
  decontamination: 'Decontaminated',
  wipe: 'Wiped',
};

/** The line that asks for a bottle of a product. */
export const bottleLine = (product: string): string => `bottle/${product}`;

/** Before the first patch: what is washed and wiped, what is worn, what lies ready, the air, the bottle, the light, the doors. In that order. */
export function checklistLines({
  groups,
  record,
  still,
  product,
  airHolds,
  hasBottle,
  hasDoors,
}: Asked): ChecklistLine[] {
  const listed = groups
    .filter(({ key }) => key === 'worn' || key === `lay/${product}/1`)
    .flatMap(({ lines }) => lines)
    // What is laid comes out of the bottle, which is asked for by itself.
    .filter(({ stock }) => stock?.kind !== 'product')
    .map(({ key, what, amount, unit, protective }): ChecklistLine => ({
      line: key,
      what: unit === '' && amount > 1 ? `${what}: ${amount}` : what,
      ...(protective && { protective }),
    }));
  const known = (line: string, what: string, holds: boolean, trouble: string): ChecklistLine =>
    holds ? { line, what, state: 'met' } : { line, what, trouble };
  const lines: ChecklistLine[] = [
    ...still.map(({ need, open }): ChecklistLine => ({
      line: `need/${need}`,
      what: NEED_WORDS[need],
      needed: true,
      trouble: `Not ticked off: ${open.map(({ name, panels }) => `${name.toLowerCase()} on ${panels} ${panels === 1 ? 'panel' : 'panels'}`).join(', ')}.`,
    })),
    ...listed,
    known(
      'air',
      'The air is inside what the sheet allows',
      airHolds,
      'In this air its window does not open, or does not hold.',
    ),
    ...(hasBottle === undefined
      ? []
      : [
          known(
            bottleLine(product),
            'The bottle is chosen',
            hasBottle,
            'No bottle is chosen: nobody will know which batch lies on it.',
          ),
        ]),
    { line: 'light', what: 'Hand light charged, within reach' },
    ...(hasDoors ? [{ line: 'doors', what: 'Doors and lids propped ajar, or their edges left for last' }] : []),
  ];
  return lines.map((line) => {
    const given = record.answers.get(answerKey('gate', line.line));
    const stands =
      given && line.state === undefined && !((line.protective || line.needed) && given.answer === 'without');
    return stands ? { ...line, state: given.answer } : line;
  });
}
