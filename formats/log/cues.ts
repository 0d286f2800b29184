import { instant, object } from '#formats/values';
import { z } from 'zod';

/** What the cues of a product taught, job by job, the first one first. */
export const productCuesSchema = object({
  /** What is believed of its flash before the next job: a factor on the sheet's minutes, and its spread (log-sigma). */
  factor: z.number(),
  sigma: z.number(),
  jobs: z.array(
    object({
      jobId: z.string(),
      title: z.string(),
      /** What was believed before it. */
      factor: z.number(),
      sigma: z.number(),
      cues: z.array(
        object({
          /** Seen against the sheet in the clock's own time. */
          ratio: z.number(),
          /** Where it was noted; absent in what an older server kept. */
          seen: object({
            entry: z.string(),
            surface: z.string(),
            at: instant(),
            seenMin: z.number(),
            expectedMin: z.number().nullable(),
          }).optional(),
        }),
      ),
    }),
  ),
});
export type ProductCues = z.output<typeof productCuesSchema>;
