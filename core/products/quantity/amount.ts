/** Width by which neighbouring sections overlap, m. */
export const SEAM_OVERLAP_M = 0.05;

/**
 * How much more product `sections` sections take than one, by the seams laid twice: 1 + (n - 1) · overlap ·
 * short side / area.
 * @example seamFactor(3, 1.05, 1.62) // 1.065: two overlaps of 5 cm along 1.05 m
 */
export function seamFactor(sections: number, shortSideM: number, areaM2: number): number {
  return 1 + ((sections - 1) * SEAM_OVERLAP_M * shortSideM) / areaM2;
}

export interface AmountInputs {
  readonly areaM2: number;
  readonly coats?: number;
  /** Units per m² and coat on the sheet's own surface. */
  readonly coveragePerM2: number;
  readonly substrateFactor?: number;
  readonly methodFactor?: number;
  readonly sections?: number;
  readonly shortSideM?: number;
  /** What weighed bottles have taught. */
  readonly usageFactor?: number;
}

/** Product laid on one surface, in the product's units. */
export function amountOnSurface(inputs: AmountInputs): number {
  const { areaM2, coats = 1, substrateFactor = 1, methodFactor = 1, sections = 1, usageFactor = 1 } = inputs;
  const seams = seamFactor(sections, inputs.shortSideM ?? Math.sqrt(areaM2), areaM2);
  return areaM2 * coats * inputs.coveragePerM2 * substrateFactor * methodFactor * seams * usageFactor;
}

/** Applicators wetted over a job: one per so many m²; a single one where the sheet sets no limit. */
export function applicatorCount(areaM2: number, applicatorM2: number | null): number {
  if (areaM2 <= 0) return 0;
  return applicatorM2 === null ? 1 : Math.ceil(areaM2 / applicatorM2 - 1e-9);
}

export const DROP_ML = 0.05;
export const TRIGGER_PULL_ML = 1;

/** Millilitres as drops and as pulls of a trigger, whole, at least one. */
export function dropsOf(ml: number): number {
  return Math.max(1, Math.round(ml / DROP_ML));
}
export function pullsOf(ml: number): number {
  return Math.max(1, Math.round(ml / TRIGGER_PULL_ML));
}

/**
 * Wet film, micrometres: a millilitre on a square metre is one. Unmasks a wrong entry.
 * @example wetFilmUm(9, 1.5) // 6 µm
 */
export function wetFilmUm(ml: number, areaM2: number): number {
  return ml / areaM2;
}
