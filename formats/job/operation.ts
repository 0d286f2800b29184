import { z } from 'zod';
import { instant, object } from '#formats/values';

/** Steps a job's stay is made of; waiting follows from them. */
export const OPERATION_KINDS = ['clean', 'correct', 'wipe', 'dry', 'lay', 'cure', 'check', 'hand-over'] as const;
export type OperationKind = (typeof OPERATION_KINDS)[number];

/** One step of a job that is still to be done. */
export const operationSchema = object({
  key: z.string(),
  kind: z.enum(OPERATION_KINDS),
  /** What is laid, in words. */
  what: z.string().optional(),
  isFilm: z.boolean().optional(),
  /** What is laid in it, sheets by id. */
  products: z.array(z.string()).optional(),
  /** Worked, or waited, minutes. */
  min: z.int(),
  /** People at once; 0: nobody. */
  hands: z.int(),
  pausable: z.boolean(),
  /** As the job by itself has it. */
  from: instant(),
  until: instant(),
  /** After the step of that key: least and most minutes. */
  after: z.array(object({ key: z.string(), minMin: z.int(), maxMin: z.int().optional() })),
});
export type Operation = z.output<typeof operationSchema>;

/** What a job costs beside its hours, and what one of them costs. Cents. */
export const jobCostsSchema = object({ materialMoney: z.int(), hourRate: z.int(), currency: z.string() });
