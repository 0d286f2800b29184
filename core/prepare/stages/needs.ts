/** What a surface needs before anything is laid on it, in its order. */
export const NEEDS = ['wash', 'decontamination', 'wipe'] as const;
export type Need = (typeof NEEDS)[number];
