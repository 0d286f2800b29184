import type { SubstrateId } from '#core/item/substrates';
import { type StepKindId, takenUm } from '#core/prepare/steps';
import { type Level, LEVEL_DEFINITIONS } from './levels';
import { type MeasuredPair, stepOfPair } from './measured';

/** One polishing step of a correction. */
export interface PolishStep {
  readonly kind: StepKindId;
  /** Which time it is done, from 1. */
  readonly round: number;
  /** What it takes, µm: from, to. The ledger counts the upper end. */
  readonly clearUm: readonly [number, number];
  /** The test spot that decided it. */
  readonly measured?: MeasuredPair | undefined;
}

export interface PolishCase {
  readonly substrate: SubstrateId;
  readonly clearUm?: number | undefined;
  readonly measured?: MeasuredPair | undefined;
}

/**
 * The polishing steps of a level on a panel. Where a test spot has decided, its pair is the correcting step of every
 * level that corrects, twice for a full one, and haze decides whether it is refined; where nobody knows the clear, no
 * pair cuts because it did so elsewhere.
 */
export function polishSteps({ substrate, clearUm, measured }: PolishCase, level: Level): PolishStep[] {
  const { steps } = LEVEL_DEFINITIONS[level];
  const main = measured && stepOfPair(measured.pair);
  const trusted = clearUm !== undefined || main !== 'cutting';
  const kinds = main && trusted ? decided(level, main, measured.hazy) : steps;
  const rounds = new Map<StepKindId, number>();
  return kinds.map((kind): PolishStep => {
    const round = (rounds.get(kind) ?? 0) + 1;
    rounds.set(kind, round);
    if (kind !== main || !trusted) return { kind, round, clearUm: takenUm(kind, substrate) };
    const tookUm = measured?.tookUm;
    return { kind, round, measured, clearUm: tookUm === undefined ? takenUm(kind, substrate) : [tookUm, tookUm] };
  });
}

function decided(level: Level, main: StepKindId, hazy: boolean): readonly StepKindId[] {
  const refined: readonly StepKindId[] = hazy ? ['refining'] : [];
  switch (level) {
    case 'none':
      return [];
    case 'gloss-refresh':
      return ['finishing'];
    case 'one-step':
    case 'two-step':
      return [main, ...refined];
    case 'full':
      return main === 'finishing' ? [main] : [main, main, ...refined, 'finishing'];
  }
}

/** Upper end of what steps take together, µm. */
export const mostTakenUm = (steps: readonly Pick<PolishStep, 'clearUm'>[]): number =>
  steps.reduce((sum, { clearUm }) => sum + clearUm[1], 0);
