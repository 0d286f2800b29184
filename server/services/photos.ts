import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { DateTime } from 'luxon';
import type { Photo, PhotoChanges, PhotoWords } from '#formats/job';
import type { Db } from '../db/open';
import { conflict, notFound } from '../http/problem';
import { jobRepository } from '../repositories/jobs';
import { photoRepository } from '../repositories/photos';
import type { ChangeFeed } from './changes';
import { prepared } from './pictures';

/** Pictures one job may have. */
const MOST_A_JOB = 500;
/** How long a picture taken away can be brought back. */
const KEPT_DAYS = 30;

export type PhotoSize = 'full' | 'thumb';

/** Photographs of a walk-round: files in a folder beside the database, what is said of them in the database. */
export function photoService(db: Db, changes: ChangeFeed, now: () => Date, folder: string) {
  const photos = photoRepository(db);
  const jobs = jobRepository(db);
  const fileOf = (id: string, size: PhotoSize) => path.join(folder, size === 'full' ? `${id}.jpg` : `${id}.thumb.jpg`);
  const get = (id: string): Photo => {
    const known = photos.get(id);
    if (!known || known.removed) throw notFound('picture', id);
    return known.photo;
  };
  /** Whole under its name or not at all. */
  const write = (file: string, data: Buffer) => {
    writeFileSync(`${file}.part`, data);
    renameSync(`${file}.part`, file);
  };
  return {
    of(jobId: string): Photo[] {
      if (!jobs.get(jobId)) throw notFound('job', jobId);
      return photos.of(jobId);
    },
    /** Keeps a picture once, however often it is sent. @throws ProblemError for what is no picture */
    async add(jobId: string, id: string, words: PhotoWords, file: Buffer): Promise<Photo> {
      if (!jobs.get(jobId)) throw notFound('job', jobId);
      const known = photos.get(id);
      if (known?.photo.jobId === jobId) return get(id);
      if (known) throw conflict(`There is another picture "${id}" already.`);
      if (photos.of(jobId).length >= MOST_A_JOB) {
        throw conflict(`A job keeps at most ${MOST_A_JOB} pictures; take some away first.`);
      }
      const { full, thumb, widthPx, heightPx } = await prepared(file);
      mkdirSync(folder, { recursive: true });
      write(fileOf(id, 'full'), full);
      write(fileOf(id, 'thumb'), thumb);
      const photo = { id, jobId, ...words, widthPx, heightPx, bytes: full.length, takenAt: now().toISOString() };
      photos.add(photo);
      changes.tell({ kind: 'photos', id: jobId });
      return photo;
    },
    change(id: string, words: PhotoChanges): Photo {
      const { jobId } = get(id);
      if (Object.keys(words).length > 0) photos.change(id, words);
      changes.tell({ kind: 'photos', id: jobId });
      return get(id);
    },
    /** Takes a picture away; for {@link KEPT_DAYS} days it can be brought back. */
    remove(id: string): void {
      const { jobId } = get(id);
      photos.markRemoved(id, now().toISOString());
      changes.tell({ kind: 'photos', id: jobId });
    },
    bringBack(id: string): Photo {
      const known = photos.get(id);
      if (!known) throw notFound('picture', id);
      photos.markRemoved(id, null);
      changes.tell({ kind: 'photos', id: known.photo.jobId });
      return known.photo;
    },
    /** The file of a picture. @throws ProblemError where its file has gone */
    file(id: string, size: PhotoSize): string {
      get(id);
      const file = path.resolve(fileOf(id, size));
      if (!existsSync(file)) throw notFound('file for the picture', id);
      return file;
    },
    /** Deletes for good what was taken away long ago, and files whose job is gone. */
    clear(): void {
      const before = DateTime.fromJSDate(now()).minus({ days: KEPT_DAYS }).toUTC().toISO()!;
      for (const id of photos.clear(before)) {
        for (const size of ['full', 'thumb'] as const) rmSync(fileOf(id, size), { force: true });
      }
      for (const file of existsSync(folder) ? readdirSync(folder) : []) {
        const [id] = file.split('.');
        if (id && !photos.get(id)) rmSync(path.join(folder, file), { force: true });
      }
    },
  };
}
