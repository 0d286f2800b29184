import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import type { Person } from '#formats/people';
import type { Db } from '../db/open';
import { people } from '../db/schema';

export type KeptPerson = typeof people.$inferSelect;

/** A person without their secrets. */
export const shown = ({ id, name, role, passwordHash, pinHash, leftAt }: KeptPerson): Person => ({
  id,
  name,
  role,
  hasPassword: passwordHash !== null,
  hasPin: pinHash !== null,
  leftAt,
});

/** Who works here. */
export function peopleRepository(db: Db) {
  return {
    all: (): KeptPerson[] => db.select().from(people).orderBy(asc(people.name)).all(),
    get: (id: string): KeptPerson | undefined => db.select().from(people).where(eq(people.id, id)).get(),
    called: (name: string): KeptPerson | undefined =>
      db
        .select()
        .from(people)
        .where(eq(sql`lower(${people.name})`, name.trim().toLowerCase()))
        .get(),
    isAnybody: (): boolean => db.select({ id: people.id }).from(people).limit(1).get() !== undefined,
    /** Owners who can sign in. */
    owners: (): KeptPerson[] =>
      db
        .select()
        .from(people)
        .where(and(eq(people.role, 'owner'), isNull(people.leftAt)))
        .all(),
    put(person: KeptPerson): void {
      db.insert(people).values(person).onConflictDoUpdate({ target: people.id, set: person }).run();
    },
  };
}
