import { object } from '#formats/values';
import { z } from 'zod';

/** How long a product really lasts here: what drops of all items said, against what was expected on each. */
export const productLastedSchema = object({
  items: z.int(),
  /** Times as long as expected: the middle, and nine in ten either way. */
  factor: z.number(),
  low: z.number(),
  high: z.number(),
  says: z.enum(['too-few', 'shorter', 'as-expected', 'longer']),
  /** Item by item: what it is, at which job it was read last, on how many drops it rests. */
  of: z.array(object({ jobId: z.string(), name: z.string(), drops: z.int() })),
  seen: z.array(object({ ageMonths: z.number(), left: z.number() })),
});
export type ProductLasted = z.output<typeof productLastedSchema>;
