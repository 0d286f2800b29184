/** How much of everything one job may hold: beyond it somebody's hand slipped, and no screen or paper would be of use. */
export const JOB_LIMITS = {
  surfaces: 400,
  /** Of one surface. */
  layers: 8,
  coatsOfLayer: 20,
  /** Found on one surface, over all its visits. */
  existing: 60,
  /** Read on one layer over the years. */
  drops: 200,
  copies: 400,
  /** Coats on all copies of all surfaces together: what a run is led through, before panels are cut into sections. */
  coatsInAll: 4000,
  points: 2000,
  readings: 10_000,
  marks: 300,
  products: 400,
  ambientSteps: 5000,
  testSpots: 500,
  people: 20,
  /** Stretches of time one person is there. */
  hours: 400,
  /** Coats moved on the run sheet. */
  moves: 400,
  warrantyCovers: 20,
  warrantyConditions: 30,
} as const;
