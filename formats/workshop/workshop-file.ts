/** A whole workshop as an open file: what another program, or a later edition of this one, reads without its database. */
import { z } from 'zod';
import { READING_SOURCES } from '#formats/bay';
import { offerSchema } from '#formats/choice';
import { bayDraftSchema, jobDraftSchema, jobSenseFaults, keptTemplateSchema, photoSchema } from '#formats/job';
import { newEntrySchema } from '#formats/log';
import { handoverSchema, passportFileSchema } from '#formats/passport';
import { ROLES } from '#formats/people';
import { shopCalendarSchema } from '#formats/schedule';
import { keptShopSchema, kitEntrySchema, makerSheetSchema } from '#formats/shelf';
import { stockLogEntrySchema } from '#formats/stock';
import { type Fault, flag, id, instant, list, object, oneOf, wholePositive } from '#formats/values';

export const WORKSHOP_FORMAT = 'glaphyra.backup/1';

/** Longer than any workshop's. */
const MOST = 5_000_000;
/** On record: who did it, and when it arrived. */
const onRecord = { by: z.string().nullable(), recordedAt: instant(), deviceAt: instant().nullable().optional() };

export const workshopFileSchema = object({
  format: z.literal(WORKSHOP_FORMAT, { error: `expected "${WORKSHOP_FORMAT}"` }),
  at: instant(),
  /** Names that stand on record; without passwords or PINs, which are set anew. */
  people: list(object({ id: id(), name: z.string(), role: oneOf(ROLES), leftAt: instant().nullable() })),
  bays: list(bayDraftSchema.extend({ id: id(), version: wholePositive() })),
  air: list(
    object({
      bayId: id(),
      atMs: z.int(),
      airC: z.number(),
      rhPct: z.number(),
      source: oneOf(READING_SOURCES),
      simulated: flag(),
    }),
    MOST,
  ),
  shelf: list(
    object({ id: id(), version: wholePositive(), updatedAt: instant(), sheet: makerSheetSchema, shop: keptShopSchema }),
  ),
  kit: list(object({ id: id(), version: wholePositive(), entry: kitEntrySchema })),
  offers: list(object({ id: id(), version: wholePositive(), offer: offerSchema })),
  /** Who is there, what is lost, what was agreed. */
  calendar: shopCalendarSchema.optional(),
  templates: list(keptTemplateSchema),
  /** In the order they were recorded. */
  stock: list(stockLogEntrySchema.omit({ seq: true, by: true }).extend(onRecord), MOST),
  jobs: list(
    jobDraftSchema.extend({
      id: id(),
      version: wholePositive(),
      createdAt: instant(),
      updatedAt: instant(),
      removedAt: instant().nullable(),
      /** In the order they were recorded. */
      log: list(newEntrySchema.extend(onRecord), MOST),
      ticks: list(object({ line: z.string(), at: instant(), by: z.string().nullable() })),
    }),
    MOST,
  ),
  /** Each with its file beside this one: `pictures/ID.jpg` and `pictures/ID.thumb.jpg`. */
  pictures: list(photoSchema.extend({ removedAt: instant().nullable() }), MOST),
  /** What was signed at hand-overs, and passports taken in from others. The shop’s own key is not in this file. */
  handovers: list(handoverSchema.extend({ jobId: id() }), MOST).default([]),
  passports: list(object({ itemId: id(), jobId: id(), at: instant(), file: passportFileSchema }), MOST).default([]),
});
export type WorkshopFile = z.output<typeof workshopFileSchema>;

/** Jobs that make no sense, and what names something that is not in the file. */
export function workshopSenseFaults(raw: unknown): Fault[] {
  const file = raw as WorkshopFile;
  const bays = new Set(file.bays.map((bay) => bay.id));
  const jobs = new Set(file.jobs.map((job) => job.id));
  return [
    ...file.jobs.flatMap((job, index) => [
      ...jobSenseFaults(job.document).map(({ path, message }) => ({
        path: `jobs[${index}].document.${path}`,
        message,
      })),
      ...(job.bayId !== null && !bays.has(job.bayId)
        ? [{ path: `jobs[${index}].bayId`, message: `there is no bay "${job.bayId}" in this file` }]
        : []),
    ]),
    ...file.pictures.flatMap(({ jobId }, index) =>
      jobs.has(jobId) ? [] : [{ path: `pictures[${index}].jobId`, message: `there is no job "${jobId}" in this file` }],
    ),
  ];
}
