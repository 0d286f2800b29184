import { id, instant, object } from '#formats/values';
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
  /** Signed hand-overs that stay, without who signed. */
  signed: z.int(),
  /** Backups made before hold it still, each until the day it is let go of. */
  backups: z.array(object({ name: z.string(), at: instant(), until: instant() })),
  /** Files the workshop was exported to before, as far as they are still there: they are for you to remove. */
  exports: z.array(object({ file: z.string(), at: instant() })),
});
/** Which items under a name are this person's. */
export const ownersItemsSchema = object({ items: z.array(id()).min(1, { error: 'expected at least one item' }) });
export type OwnerDataRemoved = z.output<typeof ownerDataRemovedSchema>;
