import { instant, object } from '#formats/values';
import { z } from 'zod';

/** All that is kept of the owner of an item as a person, over all the items that stand under that name. */
export const ownerDataSchema = object({
  name: z.string().nullable(),
  givenAt: instant(),
  items: z.array(
    object({
      id: z.string(),
      name: z.string(),
      plate: z.string().nullable(),
      visits: z.array(
        object({
          jobId: z.string(),
          title: z.string(),
          startAt: instant(),
          needsBy: instant().nullable(),
          /** How the owner lives with it: where it stands, how it is washed. */
          lives: z.record(z.string(), z.string()),
          pictures: z.array(object({ takenAt: instant(), note: z.string() })),
          /** What was signed, and when. */
          signed: z.array(object({ at: instant(), by: z.string() })),
          links: z.array(object({ madeAt: instant(), cut: z.boolean() })),
        }),
      ),
    }),
  ),
});
export type OwnerData = z.output<typeof ownerDataSchema>;

/** What became of a wish to have it removed. */
export const ownerDataRemovedSchema = object({
  jobs: z.int(),
  links: z.int(),
  /** Signed hand-overs that stay as they were signed: evidence of what was agreed. */
  signedKept: z.int(),
});
export type OwnerDataRemoved = z.output<typeof ownerDataRemovedSchema>;
