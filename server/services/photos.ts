import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
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
    const part = `${file}.${randomUUID()}.part`;
    writeFileSync(part, data);
    renameSync(part, file);
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
      // The same picture may have been sent twice at once: the first one stands.
      const meanwhile = photos.get(id);
      if (meanwhile?.photo.jobId === jobId) return get(id);
      if (meanwhile) throw conflict(`There is another picture "${id}" already.`);
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
    /**
     * Puts pictures the database does not know into a folder beside the others, and back from there those it knows
     * again. Nothing is deleted, and what is no picture of ours is not touched.
     * @returns how many lie aside now, and how many came back
     */
    setAside(): { aside: number; back: number } {
      const asideFolder = path.join(folder, ASIDE);
      const moved = { aside: 0, back: 0 };
      for (const file of ownFiles(folder)) {
        if (photos.get(idOf(file))) continue;
        mkdirSync(asideFolder, { recursive: true });
        renameSync(path.join(folder, file), path.join(asideFolder, file));
        // Its age counts from today on.
        utimesSync(path.join(asideFolder, file), now(), now());
      }
      for (const file of ownFiles(asideFolder)) {
        if (photos.get(idOf(file)) && !existsSync(path.join(folder, file))) {
          renameSync(path.join(asideFolder, file), path.join(folder, file));
          moved.back += 1;
        } else moved.aside += 1;
      }
      return moved;
    },
    /** Deletes for good what was taken away, or lies aside, for longer than it is kept. Only by command. @returns how many files */
    tidy(): number {
      const before = DateTime.fromJSDate(now()).minus({ days: KEPT_DAYS });
      const asideFolder = path.join(folder, ASIDE);
      const old = ownFiles(asideFolder).filter(
        (file) => statSync(path.join(asideFolder, file)).mtimeMs < before.toMillis(),
      );
      const gone = photos.clear(before.toUTC().toISO()!).flatMap((id) => [fileOf(id, 'full'), fileOf(id, 'thumb')]);
      const files = [...gone, ...old.map((file) => path.join(asideFolder, file))];
      for (const file of files) rmSync(file, { force: true });
      return files.length;
    },
  };
}

/** Where pictures lie that the database does not know. */
const ASIDE = 'set-aside';
/** A picture as it is named here: by its id, whole or small. */
const OWN_FILE = /^([A-Za-z0-9_-]{1,64})(\.thumb)?\.jpg$/;
const idOf = (file: string): string => OWN_FILE.exec(file)![1]!;
const ownFiles = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder, { withFileTypes: true })
        .filter((entry) => entry.isFile() && OWN_FILE.test(entry.name))
        .map(({ name }) => name)
    : [];
