import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { NewEntry } from '#formats/log';
import type { NewStockEntry } from '#formats/stock';

/** A line ticked off, or not any more. */
export interface TickTap {
  readonly id: string;
  readonly at: string;
  readonly line: string;
  readonly ticked: boolean;
}

/** What was tapped: something done at a job, a line of its lists, or what happened to a bottle. */
type Tapped =
  | { readonly kind?: undefined; readonly entry: NewEntry }
  | { readonly kind: 'tick'; readonly entry: TickTap }
  | { readonly kind: 'stock'; readonly entry: NewStockEntry };

/** A tap as it is kept on the device until the server has it on its disk. */
export type KeptTap = Tapped & {
  readonly jobId: string;
  /** The stretch of this device's time it was tapped in: whose it is. */
  readonly turn?: string;
  /** Why it did not fit when it was sent; absent: it waits to be sent. */
  readonly aside?: string;
};

interface Schema extends DBSchema {
  /** In the order they were tapped, whichever tab they were tapped in. */
  taps: { key: number; value: KeptTap & { readonly id: string }; indexes: { id: string } };
}

const NAME = 'glaphyra.outbox';

let opened: Promise<IDBPDatabase<Schema>> | undefined;
const database = (): Promise<IDBPDatabase<Schema>> => {
  opened ??= openDB<Schema>(NAME, 1, {
    upgrade(db) {
      db.createObjectStore('taps', { autoIncrement: true }).createIndex('id', 'id', { unique: true });
    },
  }).catch((error: unknown) => {
    // Asked again the next time: a browser that was short of room may have some then.
    opened = undefined;
    throw error;
  });
  return opened;
};

/**
 * Keeps a tap, each by itself: nothing else is written over. A tap that is kept already is left as it is.
 * @throws DOMException where the device has no room, or lets nothing be kept
 */
export async function keepTap(tap: KeptTap): Promise<void> {
  const db = await database();
  const change = db.transaction('taps', 'readwrite', { durability: 'strict' });
  const { id } = tap.entry;
  if ((await change.store.index('id').getKey(id)) === undefined) await change.store.add({ ...tap, id });
  await change.done;
}

/** All taps of this device, in their order. */
export async function keptTaps(): Promise<KeptTap[]> {
  const db = await database();
  return (await db.getAll('taps')).map(({ id: _, ...tap }) => tap);
}

/** A tap is on the server's disk, or somebody let it go. */
export async function letGo(id: string): Promise<void> {
  const db = await database();
  const change = db.transaction('taps', 'readwrite', { durability: 'strict' });
  const key = await change.store.index('id').getKey(id);
  if (key !== undefined) await change.store.delete(key);
  await change.done;
}

/** A tap did not fit, or is to be sent again: then it comes behind all that waits. */
export async function putAside(id: string, why: string | undefined): Promise<void> {
  const db = await database();
  const change = db.transaction('taps', 'readwrite', { durability: 'strict' });
  const key = await change.store.index('id').getKey(id);
  const tap = key === undefined ? undefined : await change.store.get(key);
  if (key !== undefined && tap) {
    const { aside: _, ...plain } = tap;
    if (why === undefined) {
      await change.store.delete(key);
      await change.store.add(plain);
    } else await change.store.put({ ...plain, aside: why }, key);
  }
  await change.done;
}
