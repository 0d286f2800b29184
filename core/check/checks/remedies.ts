import { FAMILIES, type FamilyId } from '#core/products/families';
import type { LayingFault } from '#core/lay/faults';
import type { Remedy } from '#core/lay/run';
import { type SpotCase, spotWipe, spotWork } from '#core/prepare/stages';
import { STEP_KINDS, type StepKindId } from '#core/prepare/steps';

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
  /** The steps of preparation it takes: none that the rules are against on such a panel. */
  readonly does?: readonly StepKindId[];
  /** Why it is not to be done here. */
  readonly never?: string;
}

export interface FaultCase {
  readonly fault: LayingFault;
  /** Where it is: the surface as what was laid sees it, and what lies below that and stays. */
  readonly panel: SpotCase;
  readonly family: FamilyId;
  readonly nowMin: number;
  /** Until when it can be mended wet; null: it never sets in this air; undefined: the sheet does not say. */
  readonly rewetByMin: number | null | undefined;
  /** Until when it was to be levelled: where the sheet does not say how long it can be re-wetted, it can be until then. */
  readonly levelByMin?: number | undefined;
  /** How long what is laid now has to stay dry, minutes; null: never wet in this air; undefined: its sheet does not ask. */
  readonly dryForMin?: number | null | undefined;
}

const ACCEPTED: RemedyOption = {
  how: 'accepted',
  step: 'It stays, and the owner is told before they see it.',
  minutes: 0,
  clearUm: 0,
};
/** Working minutes at one patch. Engineering defaults. */
export const MINUTES: Readonly<Record<Remedy, number>> = {
  're-wet': 3,
  wiped: 3,
  polished: 15,
  'laid-again': 12,
  pressed: 5,
  accepted: 0,
};

/** What is done with a fault of film while it still floats, and once it has set. */
const OF_FILM: Readonly<Record<FilmFault, readonly [wet: string, set: string]>> = {
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

const REWET = 'Fresh product on the applicator over the patch, and wipe at once.';
const DAMP_WIPE = ['wiped', 'Clean towel, a damp wipe with distilled water, then buff dry.'] as const;

/** What is done with a coating that is still wet, in the way it is written down. */
const WET: Readonly<Record<PouredFault, readonly [how: Remedy, step: string]>> = {
  'high-spot': ['re-wet', REWET],
  streaks: ['re-wet', REWET],
  'missed-patch': ['re-wet', REWET],
  patchy: ['re-wet', `Re-wet the whole panel now. ${REWET}`],
  haze: DAMP_WIPE,
  'drip-mark': ['wiped', 'Level it at once, then dry the gap it came from.'],
  dust: ['re-wet', `Lift it out with the corner of a clean towel. ${REWET}`],
  marring: [
    'wiped',
    'A fresh, softer towel and no pressure: lines in what is still wet close. Those that stay are in the paint.',
  ],
};

/** Wax, sealant, topper or dressing: nothing in it is beyond a towel. Lines below it are in the paint. */
const IN_WAX: Readonly<Record<Exclude<PouredFault, 'marring' | 'missed-patch'>, readonly [how: Remedy, step: string]>> =
  {
    'high-spot': ['wiped', 'A thin fresh coat over it softens it: wipe both off at once, and buff.'],
    streaks: [
      'wiped',
      'Too much of it. A damp wipe with distilled water or a thin fresh coat, wipe off at once, and buff.',
    ],
    patchy: ['laid-again', 'A thin second coat over the whole panel, and buff.'],
    haze: DAMP_WIPE,
    'drip-mark': ['laid-again', 'Dry it and the gap it came from, lay it there again, and buff.'],
    dust: ['wiped', 'Blow it off; what sticks in it comes off with a damp towel. Lay it there again, and buff.'],
  };

type FilmFault = 'fingers' | 'bubbles' | 'silvering' | 'lift' | 'dirt-under' | 'stretch-marks';
type PouredFault = Exclude<LayingFault, FilmFault>;

const lower = (kind: StepKindId) => STEP_KINDS[kind].name.toLowerCase();

/**
 * What can be done about a fault at its age, mildest first: while it can be re-wetted that comes first. Once it has set, the
 * spot is taken back by the step of preparation for such a surface, where its rules and the paint allow one, and laid again.
 */
export function remedyOptions(found: FaultCase): RemedyOption[] {
  const { fault, family, nowMin, levelByMin, rewetByMin = levelByMin } = found;
  const isWet = rewetByMin === null || (rewetByMin !== undefined && nowMin <= rewetByMin);
  if (isOfFilm(fault)) {
    const step = OF_FILM[fault][isWet ? 0 : 1];
    return [option('pressed', step), option('laid-again', 'Take the piece off and lay a new one.'), ACCEPTED];
  }
  if (FAMILIES[family].comesOffAlone) return [inWax(fault, found), ACCEPTED];
  if (isWet) {
    const until = typeof rewetByMin === 'number' ? { untilMin: rewetByMin } : {};
    return [option(...WET[fault], until), ACCEPTED];
  }
  if (fault === 'haze') return [option(...WET.haze), ACCEPTED];
  return [fault === 'missed-patch' ? laidThere(found) : takenBack(found), ACCEPTED];
}

const isOfFilm = (fault: LayingFault): fault is FilmFault => fault in OF_FILM;

const option = (how: Remedy, step: string, more: Partial<RemedyOption> = {}): RemedyOption => ({
  how,
  step,
  minutes: MINUTES[how],
  clearUm: 0,
  ...more,
});

function inWax(fault: PouredFault, found: FaultCase): RemedyOption {
  if (fault === 'marring') return takenBack(found);
  return fault === 'missed-patch' ? laidThere(found, 'beside-it') : option(...IN_WAX[fault]);
}

/**
 * A missed area is bare: a small job of its own, since on wet paint, or over what the wash left, nothing bonds.
 * @param spares what a wipe would take off beside it: then none is used
 */
function laidThere({ panel, dryForMin }: FaultCase, spares?: 'beside-it'): RemedyOption {
  const wipe = spares ? undefined : spotWipe(panel);
  return option('laid-again', 'Once it may get wet: find it wet, dry it, lay that patch.', {
    steps: [
      'Dry it, and blow out the joints beside it',
      ...(wipe ? [`${STEP_KINDS[wipe].name}, a hand’s width around it too`] : []),
      'Lay it again and level it as the first time',
      'Keep it dry',
    ],
    ...(wipe && { does: [wipe] }),
    ...(dryForMin !== undefined && { dryForMin }),
  });
}

/** A hardened spot worked back to the surface and laid again, where such a surface lets it be worked at all. */
function takenBack({ panel }: FaultCase): RemedyOption {
  const work = spotWork(panel);
  if (work.kind === undefined) {
    return option('polished', 'Worked back and laid again.', {
      never: `It has set, and cannot be worked back here: ${work.never}. Leave it and tell the owner.`,
    });
  }
  const wipe = spotWipe(panel);
  const { clearUm, kind } = work;
  return option(
    'polished',
    `${STEP_KINDS[kind].name} on the spot${wipe ? `, ${lower(wipe)}` : ''}, then lay it again.`,
    {
      clearUm,
      does: wipe ? [kind, wipe] : [kind],
    },
  );
}
