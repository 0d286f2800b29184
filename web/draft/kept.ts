import isEqual from 'fast-deep-equal';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { joined } from './join';
import type { Unsaved } from './unsaved';

/** The record of a job, which all tabs of this device share. */
export interface KeptDraft extends Unsaved {
  readonly jobId: string;
  /** Counts every write, whichever tab wrote: what has another count was written by another tab. */
  readonly edition: number;
}

interface Schema extends DBSchema {
  drafts: { key: string; value: KeptDraft };
}

const NAME = 'glaphyra.drafts';

/** The records of this device, one a job. Every function throws a DOMException where the device has no room or keeps nothing. */
export interface DraftStore {
  /** All that is unsaved on this device. */
  all(): Promise<readonly KeptDraft[]>;
  one(jobId: string): Promise<KeptDraft | undefined>;
  /**
   * Writes what is unsaved of a job. What another tab wrote since is joined with it in the same transaction: no tab
   * writes over another's.
   * @param seen the record as this tab last knew it
   * @returns the record as it is now, and whether it holds more than was given
   */
  keep(
    jobId: string,
    mine: Unsaved,
    seen: KeptDraft | undefined,
  ): Promise<{ readonly record: KeptDraft; readonly isJoined: boolean; readonly isWritten: boolean }>;
  /** Removes the record once all of it is saved, unless another tab wrote since. */
  drop(jobId: string, seen: KeptDraft): Promise<void>;
}

export function draftStore(): DraftStore {
  let opened: Promise<IDBPDatabase<Schema>> | undefined;
  const database = (): Promise<IDBPDatabase<Schema>> => {
    opened ??= openDB<Schema>(NAME, 1, {
      upgrade: (db) => void db.createObjectStore('drafts', { keyPath: 'jobId' }),
    }).catch((error: unknown) => {
      // Asked again the next time: a browser that was short of room may have some then.
      opened = undefined;
      throw error;
    });
    return opened;
  };
  return {
    all: async () => (await database()).getAll('drafts'),
    one: async (jobId) => (await database()).get('drafts', jobId),
    async keep(jobId, mine, seen) {
      const change = (await database()).transaction('drafts', 'readwrite', { durability: 'strict' });
      const there = await change.store.get(jobId);
      const isOthers = there !== undefined && there.edition !== seen?.edition;
      const unsaved = isOthers ? joined(mine, there, seen) : mine;
      const isWritten = !isOthers || !isEqual(unsaved.draft, there.draft);
      const record = isWritten ? { jobId, ...unsaved, edition: (there?.edition ?? seen?.edition ?? 0) + 1 } : there;
      if (isWritten) await change.store.put(record);
      await change.done;
      return { record, isWritten, isJoined: isOthers && !isEqual(record.draft, mine.draft) };
    },
    async drop(jobId, seen) {
      const change = (await database()).transaction('drafts', 'readwrite', { durability: 'strict' });
      const there = await change.store.get(jobId);
      if (there?.edition === seen.edition) await change.store.delete(jobId);
      await change.done;
    },
  };
}
