import { type Mark, type MarkKindId, type MarkSeverity, type Outcome, outcomePossible } from '#core/survey/condition';
import type { Level } from './levels';
import { isJudgedBySpot } from './measured';
import type { MarkOutcome } from './observations';
import { type PolishCase, polishSteps } from './polish-steps';

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
  run: {
    'gloss-refresh': [0, 0, 0],
    'one-step': [0, 0, 0],
    'two-step': [0.8, 0.6, 0.4],
    full: [0.95, 0.8, 0.6],
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
 * Share of a mark that goes at a level: as a test spot measured it, where one decided; else what the table and this
 * workshop's own results say. What polishing does not touch, or may not on that finish, stays.
 * @param seen what this workshop's own results say, by {@link shareKey}
 */
export function shareGone(
  { kind, severity }: Pick<Mark, 'kind' | 'severity'>,
  level: Level,
  panel: PolishCase,
  seen?: ReadonlyMap<string, SharesSeen>,
): number {
  const spots = polishSteps(panel, level).filter(({ measured }) => measured);
  if (spots.length > 0 && isJudgedBySpot(kind)) {
    return spots.reduce((gone, { measured }) => gone + (1 - gone) * measured!.goneShare, 0);
  }
  const { substrate } = panel;
  const usual = level === 'none' ? undefined : GOES[kind]?.[level][COLUMN[severity]];
  if (usual === undefined || !outcomePossible(kind, 'removed', substrate)) return 0;
  return learnedShare(usual, seen?.get(shareKey(level, kind, severity)));
}

/** Whether polishing can do anything about a kind of mark. */
export const isPolishedAway = (kind: MarkKindId): boolean => GOES[kind] !== undefined;

/** What one outcome says of the share that went. */
const SHARE_OF: Readonly<Record<Outcome, number>> = { removed: 1, reduced: 0.5, hidden: 0, stays: 0 };
/** The trade's figure weighs as much as so many marks of one's own. Engineering default. */
export const USUAL_WEIGHS = 3;

export const shareKey = (level: Level, kind: MarkKindId, severity: MarkSeverity): string =>
  `${level}/${kind}/${severity}`;

/** What was seen so far of one kind of mark at one level: how many, and the sum of the shares that went. */
export interface SharesSeen {
  readonly count: number;
  readonly gone: number;
}

/** Outcomes gathered by {@link shareKey}. */
export function sharesSeen(outcomes: readonly Pick<MarkOutcome, 'level' | 'kind' | 'severity' | 'outcome'>[]) {
  const seen = new Map<string, SharesSeen & Pick<MarkOutcome, 'level' | 'kind' | 'severity'>>();
  for (const { level, kind, severity, outcome } of outcomes) {
    const key = shareKey(level, kind, severity);
    const { count, gone } = seen.get(key) ?? { count: 0, gone: 0 };
    seen.set(key, { level, kind, severity, count: count + 1, gone: gone + SHARE_OF[outcome] });
  }
  return seen;
}

/** The usual share, drawn towards what was really seen as more of it is. */
export function learnedShare(usual: number, seen: SharesSeen | undefined): number {
  return seen ? (usual * USUAL_WEIGHS + seen.gone) / (USUAL_WEIGHS + seen.count) : usual;
}
