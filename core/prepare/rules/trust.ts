import type { StepKindId } from '#core/prepare/steps';

/** The strongest polishing step taken from paint that nobody knows, and why no more. */
interface Trust {
  readonly step: StepKindId;
  readonly why: string;
}

/** One step by a careful hand. */
const UNKNOWN: Trust = {
  step: 'single-stage',
  why: 'its clear is not known: measure or be told before anything cuts',
};
/** Plastic, or a refinish that hides it: nobody will ever read it. */
const UNREADABLE: Trust = {
  step: 'finishing',
  why: 'its clear cannot be read from outside: the mildest step until somebody who knows it has told',
};

/**
 * What is polished on trust, where nobody has read the clear or told it: by correction, removal and remedies alike.
 * @param unreadable no gauge reads it
 */
export const mostTrusted = (unreadable: boolean): Trust => (unreadable ? UNREADABLE : UNKNOWN);
