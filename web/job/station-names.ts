/** The stations of a job in the order of work, by their path. */
export const STATION_NAMES = [
  ['survey', 'Survey'],
  ['prepare', 'Prepare'],
  ['layer', 'Layer'],
  ['quantify', 'Quantify'],
  ['time', 'Time'],
  ['run', 'Run'],
  ['check', 'Check'],
  ['hand-over', 'Hand over'],
  ['care', 'Care & removal'],
] as const;
