import type { Mark, MarkKindId, MarkSeverity } from '../condition';
import { outcomePossible } from '../condition';
import type { SubstrateId } from '../substrates';
import { learnedShare, shareKey, type SharesSeen } from './findings';
import type { StepKindId } from './steps';

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

type Shares = Readonly<Record<Exclude<Level, 'none'>, readonly [light: number, medium: number, heavy: number]>>;

/**
 * Share of marks of a kind that goes, by level and severity. The trade's orders of magnitude until a test spot on
 * the item says better; kinds that polishing does not touch are not here.
 */
const GOES: Readonly<Partial<Record<MarkKindId, Shares>>> = {
  swirls: {
    'gloss-refresh': [0.6, 0.3, 0.1],
    'one-step': [0.95, 0.75, 0.45],
    'two-step': [1, 0.95, 0.85],
    full: [1, 1, 0.97],
  },
  holograms: {
    'gloss-refresh': [0.8, 0.6, 0.4],
    'one-step': [0.95, 0.9, 0.75],
    'two-step': [1, 1, 0.95],
    full: [1, 1, 1],
  },
  'deep-scratch': {
    'gloss-refresh': [0.05, 0, 0],
    'one-step': [0.25, 0.1, 0],
    'two-step': [0.6, 0.35, 0.15],
    full: [0.85, 0.6, 0.3],
  },
  'sanding-marks': {
    'gloss-refresh': [0.1, 0, 0],
    'one-step': [0.5, 0.3, 0.1],
    'two-step': [0.9, 0.75, 0.55],
    full: [1, 0.95, 0.85],
  },
  etching: {
    'gloss-refresh': [0.2, 0.1, 0],
    'one-step': [0.5, 0.3, 0.1],
    'two-step': [0.8, 0.6, 0.3],
    full: [0.95, 0.8, 0.5],
  },
  oxidation: {
    'gloss-refresh': [0.5, 0.3, 0.1],
    'one-step': [0.95, 0.8, 0.6],
    'two-step': [1, 0.95, 0.85],
    full: [1, 1, 0.95],
  },
};

const COLUMN: Readonly<Record<MarkSeverity, 0 | 1 | 2>> = { light: 0, medium: 1, heavy: 2 };

/**
 * Share of a mark that goes at a level; what polishing does not touch, or may not on that finish, stays.
 * @param seen what this workshop's own results say, by {@link shareKey}
 */
export function shareGone(
  { kind, severity }: Pick<Mark, 'kind' | 'severity'>,
  level: Level,
  substrate: SubstrateId,
  seen?: ReadonlyMap<string, SharesSeen>,
): number {
  const usual = level === 'none' ? undefined : GOES[kind]?.[level][COLUMN[severity]];
  if (usual === undefined || !outcomePossible(kind, 'removed', substrate)) return 0;
  return learnedShare(usual, seen?.get(shareKey(level, kind, severity)));
}

/** Whether polishing can do anything about a kind of mark. */
export const isPolishedAway = (kind: MarkKindId): boolean => GOES[kind] !== undefined;
