/**
 * What work takes besides the work itself, minutes. Engineering defaults of the trade until a shop has its own: towels,
 * lamps and trolley brought, the person masked, towels changed, everything packed up again.
 */
export const ADDED_MIN = {
  /** Once a job, before anything is laid. */
  setUp: 20,
  /** Once for each product: shaken, read, applicators primed. */
  product: 5,
  /** Loading and changing towels, each section. */
  section: 0.5,
  /** Once a job, after the last of it. */
  packUp: 15,
  /** Each day of preparation: set-up, floor masked, packing up. */
  preparationDay: 30,
} as const;
