import { type MarkSeverity, type Tone } from '#core/survey/condition';
import { PIECES } from '#core/item/make';
import type { Hardness } from '#core/survey/paint';
import { isPolishing, STEP_KINDS, type StepKindId } from '#core/prepare/steps';
import type { PanelCase } from './panel-case';
import type { PrepareSchools } from './schools';
import type { Site } from './site';

/** How much longer a correcting step takes on marks of a severity than the table's medium. */
const SEVERITY_FACTOR: Readonly<Record<MarkSeverity, number>> = { light: 0.7, medium: 1, heavy: 1.6 };

/**
 * Marks decide how long it is cut. What refines takes away the haze of the cut before it, which grows less than the
 * marks did: its square root. So a heavy correction of hard paint cuts five to six times as long as it refines.
 */
export const severityFactor = (kind: StepKindId, severity: MarkSeverity): number =>
  kind === 'refining' ? Math.sqrt(SEVERITY_FACTOR[severity]) : SEVERITY_FACTOR[severity];

/** Hard paint cuts slowly and finishes easily, soft paint the reverse. */
export const CUTTING_BY_HARDNESS: Readonly<Record<Hardness, number>> = {
  soft: 0.7,
  medium: 1,
  hard: 1.4,
  'very-hard': 1.8,
};
export const REFINING_BY_HARDNESS: Readonly<Record<Hardness, number>> = {
  soft: 1.4,
  medium: 1,
  hard: 0.8,
  'very-hard': 0.8,
};

export function hardnessFactor(kind: StepKindId, hardness: Hardness = 'medium'): number {
  const [cut, refine] = [CUTTING_BY_HARDNESS[hardness], REFINING_BY_HARDNESS[hardness]];
  if (kind === 'cutting') return cut;
  if (kind === 'refining' || kind === 'finishing') return refine;
  // One step has to do both.
  return kind === 'single-stage' ? (cut + refine) / 2 : 1;
}

const LOOKS: readonly StepKindId[] = ['inspection', 'look-again'];

/** Dark paint shows everything, pale forgives. */
export function toneFactor(kind: StepKindId, tone: Tone | undefined): number {
  if (tone === 'dark') return LOOKS.includes(kind) || kind === 'refining' ? 1.2 : 1;
  return tone === 'pale' && LOOKS.includes(kind) ? 0.8 : 1;
}

/** Panels curved more than this are intricate. */
const INTRICATE_CURVATURE = 1.2;
const INTRICATE_FACTOR = 1.5;
const OVERHEAD_FACTOR = 1.4;

/** Slower where the panel is awkward, whatever is done on it and however it was measured elsewhere. */
export function awkwardness({ curvature, zone, handling = 1 }: PanelCase, kind: StepKindId): number {
  if (STEP_KINDS[kind].pace.by !== 'area') return 1;
  const intricate = curvature > INTRICATE_CURVATURE ? INTRICATE_FACTOR : 1;
  return Math.max(intricate, handling) * (zone === 'under' ? OVERHEAD_FACTOR : 1);
}

/** What is small and shaped is polished by the piece: no fewer minutes than that. */
export const pieceMin = ({ piece, count }: PanelCase, kind: StepKindId): number =>
  piece && isPolishing(kind) && STEP_KINDS[kind].pace.by === 'area' ? PIECES[piece].min * count : 0;

/** Jacked, on its stand and down again where there is no lift, minutes a wheel that comes off (engineering default). */
export const JACKING_MIN = 6;

/** Before the barrel of a wheel is wiped for its layers the wheel comes off: what that costs where the item cannot be raised whole. */
export const jackingMin = ({ piece, count }: PanelCase, kind: StepKindId, { lift }: Pick<Site, 'lift'>): number =>
  (kind === 'panel-wipe' || kind === 'mild-wipe') && piece === 'wheel-barrel' && !lift ? JACKING_MIN * count : 0;

/** A pad on its leading edge cuts quicker and leaves trails for the refining. Engineering default. */
export function padFactor(kind: StepKindId, pad: PrepareSchools['pad']): number {
  if (pad === 'flat') return 1;
  if (kind === 'cutting') return 0.9;
  return kind === 'refining' ? 1.1 : 1;
}
