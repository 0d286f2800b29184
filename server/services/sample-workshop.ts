import sharp from 'sharp';
import type { Offer } from '#core/choice/offers';
import { offerSchema } from '#formats/choice';
import type { Bay, JobDraft, PhotoWords } from '#formats/job';
import type { NewEntry } from '#formats/log';
import type { KitEntry, ProductSheet } from '#formats/shelf';
import type { Db } from '../db/open';
import type { Services } from './index';

/** A workshop to begin with: bays, sheets, and jobs with what has been done at them. */
export interface Workshop {
  readonly bays: readonly Omit<Bay, 'version'>[];
  readonly shelf: readonly ProductSheet[];
  /** Sheets before the things that are of them. */
  readonly kit: readonly KitEntry[];
  readonly offers: readonly Offer[];
  readonly jobs: readonly { readonly id: string; readonly draft: JobDraft; readonly log: readonly NewEntry[] }[];
}

/**
 * Puts a workshop into an empty database, whole or not at all.
 * @returns false, and nothing done, where the database holds jobs already
 */
export function loadWorkshop(
  db: Db,
  { jobs, shelf, kit, offers, bays, runLog }: Services,
  workshop: Workshop,
): boolean {
  if (jobs.all().length > 0) return false;
  db.transaction(() => {
    for (const { id, ...draft } of workshop.bays) bays.put(id, 0, draft);
    for (const sheet of workshop.shelf) shelf.add(sheet);
    for (const offer of workshop.offers) offers.put(offer.id, 0, offerSchema.parse(offer));
    for (const entry of workshop.kit) kit.put(entry.id, 0, entry);
    for (const { id, draft, log } of workshop.jobs) {
      jobs.add({ id, ...draft });
      for (const entry of log) runLog.append(id, entry);
    }
  });
  return true;
}

/** A picture to begin with, drawn as SVG. */
export interface SamplePicture extends PhotoWords {
  readonly id: string;
  readonly jobId: string;
  readonly svg: string;
}

/** Adds pictures to jobs of a workshop that has been loaded. */
export async function loadPictures({ photos }: Services, pictures: readonly SamplePicture[]): Promise<void> {
  for (const { id, jobId, svg, ...words } of pictures) {
    const file = await sharp(Buffer.from(svg)).png().toBuffer();
    await photos.add(jobId, id, words, file);
  }
}
