/** Area one coating towel of each role serves a coat, m². Working default until a shop has counted its own. */
export const COATING_TOWEL_M2 = 4;
/** A pair of gloves lasts a person so long, minutes, and never serves two products. */
export const GLOVES_MIN = 90;
export interface LayingWork {
  readonly product: string;
  readonly areaM2: number;
  readonly minutes: number;
}

export interface Consumables {
  readonly towelsPerRole: number;
  readonly glovePairs: number;
}

/** Whole things, a hair's breadth of rounding forgiven. */
const whole = (count: number) => Math.max(0, Math.ceil(count - 1e-9));

/** What has to lie ready before laying begins, for all coats of a job. */
export function consumablesFor(coats: readonly LayingWork[], people: number): Consumables {
  const sum = (pick: (coat: LayingWork) => number) => coats.reduce((total, coat) => total + pick(coat), 0);
  const products = new Set(coats.map(({ product }) => product)).size;
  return {
    towelsPerRole: whole(sum(({ areaM2 }) => areaM2) / COATING_TOWEL_M2),
    glovePairs: people * Math.max(products, whole(sum(({ minutes }) => minutes) / GLOVES_MIN)),
  };
}
