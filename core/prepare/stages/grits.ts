/** What is sanded with before a cut; coarser is a painter's decision. */
export const SANDINGS = ['p3000', 'p2000'] as const;
export type Sanding = (typeof SANDINGS)[number];

export const SANDING_STEPS = { p3000: 'sanding-p3000', p2000: 'sanding-p2000' } as const;
export const SANDING_NAMES: Readonly<Record<Sanding, string>> = { p3000: 'P3000', p2000: 'P2000' };
