import session, { type SessionData, Store } from 'express-session';
import type { Request, RequestHandler } from 'express';
import { eq, lt } from 'drizzle-orm';
import { MS_PER_DAY, MS_PER_MIN } from '#core/measures';
import type { Db } from '../db/open';
import { sessions } from '../db/schema';
import { shopSettingsRepository } from '../repositories/shop-settings';
import { digest, token } from './secrets';

/** A stretch of a device's time that is one person's. */
export interface Turn {
  readonly id: string;
  readonly person: string;
  /** The person's edition as they signed in: a later one puts this turn out. */
  readonly edition: number;
  readonly fromMs: number;
  /** When something was last asked in it, to some minutes. */
  readonly seenMs: number;
}

declare module 'express-session' {
  interface SessionData {
    /** The device of the shop this is. */
    tablet: string;
    /** The link somebody came by. */
    guest: string;
    /** Who has been at it lately, the last one last. */
    turns: Turn[];
    /** The turn that is on; none: nobody is in. */
    turn: string;
  }
}

/** A device that is not used for so long is let in no more, days. */
const KEPT_DAYS = 60;
/** A session is written again for its age alone only this often. */
const TOUCHED_MS = 10 * MS_PER_MIN;

/** Sessions in the workshop's own file, under what their names hash to: whoever reads the file is not in. */
class FileStore extends Store {
  private readonly touched = new Map<string, number>();
  constructor(private readonly db: Db) {
    super();
    db.delete(sessions).where(lt(sessions.expiresMs, Date.now())).run();
  }
  override get(sid: string, done: (error: unknown, data?: SessionData | null) => void): void {
    answer(done, () => {
      const row = this.db
        .select()
        .from(sessions)
        .where(eq(sessions.id, digest(sid)))
        .get();
      return row && row.expiresMs > Date.now() ? (JSON.parse(row.data) as SessionData) : null;
    });
  }
  override set(sid: string, data: SessionData, done?: (error?: unknown) => void): void {
    answer(done, () => {
      const row = { id: digest(sid), data: JSON.stringify(data), expiresMs: expiryOf(data) };
      this.db.insert(sessions).values(row).onConflictDoUpdate({ target: sessions.id, set: row }).run();
    });
  }
  override destroy(sid: string, done?: (error?: unknown) => void): void {
    answer(done, () => {
      this.db
        .delete(sessions)
        .where(eq(sessions.id, digest(sid)))
        .run();
      this.touched.delete(digest(sid));
    });
  }
  override touch(sid: string, data: SessionData, done?: (error?: unknown) => void): void {
    answer(done, () => {
      const id = digest(sid);
      if (Date.now() - (this.touched.get(id) ?? 0) < TOUCHED_MS) return;
      this.touched.set(id, Date.now());
      this.db
        .update(sessions)
        .set({ expiresMs: expiryOf(data) })
        .where(eq(sessions.id, id))
        .run();
    });
  }
}

const expiryOf = ({ cookie }: SessionData): number =>
  cookie.expires ? new Date(cookie.expires).getTime() : Date.now() + KEPT_DAYS * MS_PER_DAY;

function answer<T>(done: ((error: unknown, value?: T) => void) | undefined, work: () => T): void {
  let value: T;
  try {
    value = work();
  } catch (error) {
    done?.(error);
    return;
  }
  done?.(null, value);
}

const SECRET = 'session-secret';

/** Knows a browser again by a cookie that scripts cannot read and other pages cannot send. */
export function sessionsOf(db: Db): RequestHandler {
  const settings = shopSettingsRepository(db);
  const known = settings.get(SECRET);
  const secret = typeof known === 'string' ? known : token();
  if (secret !== known) settings.put(SECRET, secret);
  const knowing = (secure: boolean) =>
    session({
      // A name with this beginning is only taken from this very host, over TLS.
      name: secure ? '__Host-glaphyra' : 'glaphyra',
      secret,
      // One each: the package makes new sessions by what it was last told of a store.
      store: new FileStore(db),
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: { httpOnly: true, sameSite: 'strict', secure, maxAge: KEPT_DAYS * MS_PER_DAY, path: '/' },
    });
  const [overTls, onLoopback] = [knowing(true), knowing(false)];
  return (request, response, next) => (request.secure ? overTls : onLoopback)(request, response, next);
}

/** Gives a session another name, as whoever is in changes; what is kept of it is said anew. */
export function renamed(request: Request, kept: Partial<SessionData>): Promise<void> {
  return new Promise((resolve, reject) =>
    request.session.regenerate((error) => {
      if (error) reject(error as Error);
      else {
        Object.assign(request.session, kept);
        request.session.save((fault) => (fault ? reject(fault as Error) : resolve()));
      }
    }),
  );
}

/** Forgets a session whole. */
export const ended = (request: Request): Promise<void> =>
  new Promise((resolve, reject) => request.session.destroy((error) => (error ? reject(error as Error) : resolve())));
