import type { StepKindId } from '#core/prepare/steps';

/** How far correction goes, from mildest to strongest. */
export const LEVELS = ['none', 'gloss-refresh', 'one-step', 'two-step', 'full'] as const;
export type Level = (typeof LEVELS)[number];

export interface LevelDefinition {
  readonly name: string;
  /** Polishing steps on a panel, in their order. */
  readonly steps: readonly StepKindId[];
  /** In words an owner understands. */
  readonly says: string;
}

/** Steps of each level; that of a full correction cuts twice. */
export const LEVEL_DEFINITIONS: Readonly<Record<Level, LevelDefinition>> = {
  none: { name: 'No correction', steps: [], says: 'Cleaned and protected as it is.' },
  'gloss-refresh': {
    name: 'Gloss refresh',
    steps: ['finishing'],
    says: 'More gloss; only the faintest marks go.',
  },
  'one-step': {
    name: 'One step',
    steps: ['single-stage'],
    says: 'Most of the fine marks go; deep ones stay.',
  },
  'two-step': {
    name: 'Two steps',
    steps: ['cutting', 'refining'],
    says: 'Nearly all fine marks go; deep scratches are softened.',
  },
  full: {
    name: 'Full correction',
    steps: ['cutting', 'cutting', 'refining', 'finishing'],
    says: 'As good as the paint allows; what is through the clear stays.',
  },
};

/** What is said of a share of the marks that goes, from the largest down. */
const SHARE_WORDS: readonly (readonly [least: number, says: string])[] = [
  [0.9, 'Nearly all of the marks go'],
  [0.6, 'Most of the marks go'],
  [0.4, 'About half of the marks go'],
  [0.1, 'Some of the marks go; most stay'],
  [0, 'Hardly any of the marks go'],
];

/**
 * What a level does, in the customer's words: on an item whose marks are known by the share of them that goes by its own
 * plan, never by what the level does elsewhere.
 * @param goneShare 0 to 1; undefined: nothing was marked that a level could take away
 */
export function levelSays(level: Level, goneShare: number | undefined): string {
  if (goneShare === undefined || level === 'none') return LEVEL_DEFINITIONS[level].says;
  const [, says] = SHARE_WORDS.find(([least]) => goneShare >= least) ?? SHARE_WORDS.at(-1)!;
  return `${says}: about ${Math.round(100 * goneShare)} %.`;
}
