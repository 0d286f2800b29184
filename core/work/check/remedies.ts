import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { FamilyId } from '#core/products/families';
import { faultRemedy, type LayingFault } from '#core/work/laying-faults';
import type { Remedy } from '#core/work/run';

/** One way to deal with a fault now. */
export interface RemedyOption {
  readonly how: Remedy;
  readonly step: string;
  /** Working minutes, without waiting. Engineering defaults. */
  readonly minutes: number;
  /** Clear it takes, µm at most. */
  readonly clearUm: number;
  /** Until when it helps; absent: any time. Minutes on the scale of the job. */
  readonly untilMin?: number;
  /** Where it is a small job of its own: what is done, one after the other. */
  readonly steps?: readonly string[];
  /** How long it has to stay dry after that, minutes; null: in this air it never may get wet. */
  readonly dryForMin?: number | null;
  /** Why it is not to be done here. */
  readonly never?: string;
}

export interface FaultCase {
  readonly fault: LayingFault;
  readonly substrate: SubstrateId;
  readonly family: FamilyId;
  readonly nowMin: number;
  /** Until when it can be mended wet; null: it never sets in this air; undefined: the sheet does not say. */
  readonly rewetByMin: number | null | undefined;
  /** What a light polish takes at most, and what may still be taken, µm; undefined: nobody has read it. */
  readonly polishUm: number;
  readonly spareUm: number | undefined;
  /** How long what is laid now has to stay dry, minutes; null: never wet in this air; undefined: its sheet does not ask. */
  readonly dryForMin?: number | null | undefined;
}

const ACCEPTED: RemedyOption = {
  how: 'accepted',
  step: 'It stays, and the owner is told before they see it.',
  minutes: 0,
  clearUm: 0,
};
/** A missed patch is a small job of its own: on wet paint, or over what the wash left, nothing bonds. */
const PATCH_STEPS = [
  'Dry it, and blow out the joints beside it',
  'Panel wipe, a hand’s width around it too',
  'Lay it again and level it as the first time',
  'Keep it dry',
] as const;
/** Working minutes at one patch. Engineering defaults. */
const MINUTES: Readonly<Record<Remedy, number>> = {
  're-wet': 3,
  wiped: 3,
  polished: 15,
  'laid-again': 12,
  pressed: 5,
  accepted: 0,
};

/**
 * What can be done about a fault at its age, mildest first. While it can be re-wetted that comes first; later gloss is
 * polished and laid again where the clear allows it; satin and matte are never polished.
 */
export function remedyOptions(found: FaultCase): RemedyOption[] {
  const { fault, substrate, family, nowMin, rewetByMin, polishUm, spareUm } = found;
  const isWet = rewetByMin === null || (rewetByMin !== undefined && nowMin <= rewetByMin);
  const of = (how: Remedy, step: string, more: Partial<RemedyOption> = {}): RemedyOption => ({
    how,
    step,
    minutes: MINUTES[how],
    clearUm: 0,
    ...more,
  });
  const wet = faultRemedy(fault, substrate, 'rewettable');
  const set = faultRemedy(fault, substrate, 'set');
  if (family === 'film')
    return [of('pressed', isWet ? wet : set), of('laid-again', 'Take the piece off and lay a new one.'), ACCEPTED];
  const isWipe = fault === 'haze' || fault === 'drip-mark';
  if (isWet) {
    const until = typeof rewetByMin === 'number' ? { untilMin: rewetByMin } : {};
    return [of(isWipe ? 'wiped' : 're-wet', wet, until), ACCEPTED];
  }
  if (SUBSTRATES[substrate].matte) {
    return [of('polished', 'Polish it out.', { never: set, clearUm: polishUm }), ACCEPTED];
  }
  if (fault === 'haze') return [of('wiped', set), ACCEPTED];
  if (fault === 'missed-patch') {
    const dry = found.dryForMin === undefined ? {} : { dryForMin: found.dryForMin };
    return [of('laid-again', set, { steps: PATCH_STEPS, ...dry }), ACCEPTED];
  }
  const short = spareUm !== undefined && spareUm < polishUm;
  return [
    of('polished', set, {
      clearUm: polishUm,
      ...(short && {
        never: `A polish takes up to ${polishUm.toFixed(1)} µm, and only ${Math.max(0, spareUm).toFixed(1)} µm may go here.`,
      }),
    }),
    ACCEPTED,
  ];
}
