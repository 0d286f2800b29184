/** Area one coating towel of each role serves a coat, m². Working default until a shop has counted its own. */
export const COATING_TOWEL_M2 = 4;
/** A pair of gloves lasts a person so long, minutes, and never serves two products. */
export const GLOVES_MIN = 90;
