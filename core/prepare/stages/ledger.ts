import type { PaintSystem } from '#core/survey/paint';
import { mostTrusted } from '#core/prepare/rules';
import type { StepKindId } from '#core/prepare/steps';
import { type Level, LEVEL_DEFINITIONS, LEVELS } from './levels';

/** Paint that can be spent on one panel, all µm of clear (of the colour coat itself on single-stage paint). */
export interface LedgerCase {
  /** Undefined where nobody has measured or told. */
  readonly clearUm: number | undefined;
  readonly paint: PaintSystem;
  /** Stays whatever is done. */
  readonly reserveUm: number;
  /** What taking the protection off again will cost over the planned life of the item. */
  readonly removalsUm: number;
}

export interface Ledger {
  readonly clearNowUm: number;
  readonly thisCorrectionUm: number;
  readonly removalsUm: number;
  readonly reserveUm: number;
  /** What is left above the reserve after all of it; never below zero for accepted steps. */
  readonly spareUm: number;
  /** How often such a correction could be done again. */
  readonly correctionsLeft: number;
}

/**
 * Clear now, less this correction at its most, less the removals to come, against the reserve.
 * @param thisCorrectionUm upper end of what it takes
 * @returns undefined where nobody knows the clear: then nothing that cuts is promised
 */
export function ledgerOf({ clearUm, reserveUm, removalsUm }: LedgerCase, thisCorrectionUm: number): Ledger | undefined {
  if (clearUm === undefined) return undefined;
  const spareUm = clearUm - thisCorrectionUm - removalsUm - reserveUm;
  return {
    clearNowUm: clearUm,
    thisCorrectionUm,
    removalsUm,
    reserveUm,
    spareUm,
    correctionsLeft: thisCorrectionUm === 0 ? Infinity : Math.max(0, Math.floor(spareUm / thisCorrectionUm)),
  };
}

/** The level of one step that is taken on trust. */
const levelOfStep = (step: StepKindId): Level => LEVELS.find((level) => LEVEL_DEFINITIONS[level].steps[0] === step)!;

export interface AllowedLevel {
  readonly level: Level;
  /** Set where it is milder than what was wanted: why, in words. */
  readonly why?: string;
}

/**
 * The strongest correction up to the one wanted that the paint can stand, and why not more.
 * @param worn burnt through, failing or crazed
 * @param takesUm upper end of what a level takes from this panel
 */
export function allowedLevel(
  subject: LedgerCase & { readonly unreadable?: boolean | undefined },
  wanted: Level,
  worn: boolean,
  takesUm: (level: Level) => number,
): AllowedLevel {
  const upTo = LEVELS.slice(0, LEVELS.indexOf(wanted) + 1).toReversed();
  if (worn)
    return wanted === 'none'
      ? { level: 'none' }
      : {
          level: 'none',
          why: 'burnt through, failing or crazed: no machine on it',
        };
  if (subject.clearUm === undefined) {
    const { step, why } = mostTrusted(subject.unreadable === true);
    const trusted = upTo.find((level) => LEVELS.indexOf(level) <= LEVELS.indexOf(levelOfStep(step)))!;
    return trusted === wanted ? { level: wanted } : { level: trusted, why };
  }
  const level = upTo.find((each) => ledgerOf(subject, takesUm(each))!.spareUm >= 0 || each === 'none')!;
  if (level === wanted) return { level };
  const ledger = ledgerOf(subject, takesUm(wanted))!;
  const short = -ledger.spareUm;
  return {
    level,
    why: `${short.toFixed(1)} µm short: of ${ledger.clearNowUm.toFixed(0)} µm it takes up to ${ledger.thisCorrectionUm.toFixed(0)}, ${ledger.removalsUm.toFixed(0)} are kept for taking off what is laid, ${ledger.reserveUm.toFixed(0)} stay as reserve`,
  };
}
