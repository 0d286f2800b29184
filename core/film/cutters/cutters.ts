/** What cuts film, and how far apart its cuts are, mm: the blade's kerf and how true it is led. Engineering defaults. */
export const CUTTERS = {
  plotter: { name: 'Plotter', gapMm: 3 },
  knife: { name: 'Knife and straight edge', gapMm: 12 },
} as const;
export type CutterId = keyof typeof CUTTERS;
export const CUTTER_IDS = Object.keys(CUTTERS) as [CutterId, ...CutterId[]];
