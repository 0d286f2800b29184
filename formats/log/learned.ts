import { z } from 'zod';
import { MARK_KIND_IDS, MARK_SEVERITIES } from '#core/survey/condition';
import { LEVELS, PAIR_IDS } from '#core/prepare/stages';
import { STEP_KIND_IDS } from '#core/prepare/steps';
import { instant } from '#formats/values';

const learnedFactor = { factor: z.number(), sigma: z.number(), observations: z.int() };

/** What finished jobs teach of preparation; what nothing is known of is left out. */
export const learnedPreparationSchema = z.object({
  /** Factors on the default hours, by kind of step. */
  hours: z.partialRecord(z.enum(STEP_KIND_IDS), z.object(learnedFactor)),
  /** Factors on what was planned to be used, by thing. */
  uses: z.array(z.object({ what: z.string(), ...learnedFactor })),
  /** How many marks of a kind were corrected at a level, and the sum of the shares that went. */
  shares: z.array(
    z.object({
      level: z.enum(LEVELS),
      kind: z.enum(MARK_KIND_IDS),
      severity: z.enum(MARK_SEVERITIES),
      count: z.int(),
      gone: z.number(),
    }),
  ),
});
export type LearnedPreparation = z.output<typeof learnedPreparationSchema>;
export const NOTHING_LEARNED: LearnedPreparation = { hours: {}, uses: [], shares: [] };

/** How fast the hands of somebody with an account are, by the jobs they were at. */
export const learnedHandsSchema = z.object({
  /** By the name of their account in the log. */
  person: z.string(),
  jobs: z.int(),
  layM2PerMin: z.number().optional(),
  levelM2PerMin: z.number().optional(),
});
export type LearnedHands = z.output<typeof learnedHandsSchema>;

/** A pair of pad and liquid that was found at an earlier job on this item or one like it. */
export const earlierPairSchema = z.object({
  jobId: z.string(),
  title: z.string(),
  at: instant(),
  sameItem: z.boolean(),
  surface: z.string(),
  pair: z.enum(PAIR_IDS),
  gonePct: z.number(),
});
export type EarlierPair = z.output<typeof earlierPairSchema>;
