import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { FamilyId } from '#core/products/families';
import type { LayingFault } from '#core/lay/faults';
import type { Remedy } from '#core/lay/run';

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
  /** Until when it was to be levelled: where the sheet does not say how long it can be re-wetted, it can be until then. */
  readonly levelByMin?: number | undefined;
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
export const MINUTES: Readonly<Record<Remedy, number>> = {
  're-wet': 3,
  wiped: 3,
  polished: 15,
  'laid-again': 12,
  pressed: 5,
  accepted: 0,
};

const REWET = 'Fresh product on the applicator over the patch, and wipe at once.';
const POLISH = 'Polish the patch by hand or machine, panel wipe, lay it again.';
const DAMP_WIPE = 'Clean towel, a damp wipe with distilled water, then buff dry.';
const MATTE_TOO_LATE = 'Matte cannot be polished: there is no safe remedy now. Leave it and tell the owner.';

/** What is done about each fault while it can still be mended wet, or film still floats, and once it has set. */
const STEPS: Readonly<Record<LayingFault, readonly [wet: string, set: string]>> = {
  'high-spot': [REWET, POLISH],
  streaks: [REWET, POLISH],
  'missed-patch': [REWET, 'Once it may get wet: find it wet, dry it, panel wipe, lay that patch.'],
  patchy: [`Re-wet the whole panel now. ${REWET}`, POLISH],
  haze: [DAMP_WIPE, DAMP_WIPE],
  'drip-mark': ['Level it at once, then dry the gap it came from.', POLISH],
  dust: [REWET, POLISH],
  marring: [REWET, POLISH],
  fingers: [
    'Lift it to the ridge, slip under it, lay it again with less pull.',
    'Warm it and work the ridge to the nearest edge; if it stays, replace the piece.',
  ],
  bubbles: [
    'Squeegee them to the nearest edge, firmer and slower.',
    'Water goes by itself in one to two weeks. Only air is pricked with a fine pin and pressed flat.',
  ],
  silvering: [
    'Lift it, more tack, squeegee harder while the glue grips.',
    'Warm it and press it again; silvering that stays two weeks is replaced.',
  ],
  lift: [
    'Dry the edge, tack, hold it, post-heat.',
    'Clean under it with alcohol, dry, warm and press; if it lifts again trim it back by two millimetres.',
  ],
  'dirt-under': [
    'Lift that corner, rinse both sides with slip, lay it again.',
    'It stays: a hair is drawn out only at an edge. Otherwise replace the piece, or agree it with the owner.',
  ],
  'stretch-marks': [
    'Lift it and let it shrink under gentle heat before it goes down again.',
    'Gentle heat over the whole of it; what stays is replaced.',
  ],
};

/** What is wiped off wet, not laid over. */
const WIPED: readonly LayingFault[] = ['haze', 'drip-mark'];

/**
 * What can be done about a fault at its age, mildest first. While it can be re-wetted that comes first; later gloss is
 * polished and laid again where the clear allows it; satin and matte are never polished.
 */
export function remedyOptions(found: FaultCase): RemedyOption[] {
  const { fault, substrate, family, nowMin, levelByMin, rewetByMin = levelByMin, polishUm, spareUm } = found;
  const isWet = rewetByMin === null || (rewetByMin !== undefined && nowMin <= rewetByMin);
  const of = (how: Remedy, step: string, more: Partial<RemedyOption> = {}): RemedyOption => ({
    how,
    step,
    minutes: MINUTES[how],
    clearUm: 0,
    ...more,
  });
  const [wet, set] = STEPS[fault];
  if (family === 'film')
    return [of('pressed', isWet ? wet : set), of('laid-again', 'Take the piece off and lay a new one.'), ACCEPTED];
  if (isWet) {
    const until = typeof rewetByMin === 'number' ? { untilMin: rewetByMin } : {};
    return [of(WIPED.includes(fault) ? 'wiped' : 're-wet', wet, until), ACCEPTED];
  }
  if (SUBSTRATES[substrate].matte) {
    return [of('polished', 'Polish it out.', { never: MATTE_TOO_LATE, clearUm: polishUm }), ACCEPTED];
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
