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
