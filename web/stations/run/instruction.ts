import type { RunEntry, SheetPatch, WindowState } from '#core/lay/run';
import type { Signal } from './signals';

/** The signals whose moment has come. */
export function signalsDue(state: WindowState): Signal[] {
  switch (state) {
    case 'open':
      return ['opens'];
    case 'closing':
      return ['opens', 'closing'];
    case 'closed':
      return ['opens', 'closing', 'closed'];
    default:
      return [];
  }
}

export interface Instruction {
  /** The one thing to do now, as it is called across a bay. */
  readonly verb: string;
  /** What the large target says, and logs. */
  readonly action: string;
  readonly logs: 'lay-start' | 'lay-end' | 'level-start' | 'level-end';
  /** Whether now is the time for it. */
  readonly due: boolean;
}

/** Film is wetted and placed where others lay, and squeegeed where others level. */
const FILM_WORDS: Readonly<Record<Exclude<SheetPatch['state'], 'done'>, readonly [verb: string, action: string]>> = {
  todo: ['Film', 'Wet it and place it'],
  laying: ['Placing', 'It lies where it belongs'],
  waiting: ['Squeegee now', 'Start to squeegee'],
  levelling: ['Squeegee, wrap, heat', 'Edges sealed, looked over'],
};

/** What to do with the patch in hand. */
export function instructionFor(
  state: SheetPatch['state'],
  window: WindowState,
  isFilm = false,
): Instruction | undefined {
  const usual = usualInstruction(state, window);
  if (!usual || !isFilm || state === 'done') return usual;
  const [verb, action] = FILM_WORDS[state];
  return { ...usual, verb: usual.due ? verb : usual.verb, action };
}

function usualInstruction(state: SheetPatch['state'], window: WindowState): Instruction | undefined {
  switch (state) {
    case 'todo':
      return { verb: 'Lay', action: 'Start laying', logs: 'lay-start', due: true };
    case 'laying':
      return { verb: 'Laying', action: 'Laid', logs: 'lay-end', due: true };
    case 'waiting': {
      const early = window === 'before' || window === 'opening';
      return {
        verb: early ? 'Wait' : window === 'closed' ? 'Level at once' : 'Level now',
        action: 'Start levelling',
        logs: 'level-start',
        due: !early,
      };
    }
    case 'levelling':
      return { verb: 'Levelling', action: 'Level, done', logs: 'level-end', due: true };
    case 'done':
      return undefined;
  }
}

/** The entry that the large target logs. */
export function entryFor(
  logs: Instruction['logs'],
  sheetPatch: SheetPatch,
  surfaceC: number | undefined,
  batch: string | undefined,
): RunEntry {
  const { patch, coat, sections, areaM2, amount } = sheetPatch;
  if (logs !== 'lay-start') return { type: logs, patch };
  const start = { product: coat.product, sections, areaM2, amount, surfaceC, batch };
  return { type: 'lay-start', patch, start };
}
