import { eq } from 'drizzle-orm';
import type { KeptTemplate } from '#formats/job';
import type { Db } from '../db/open';
import { templates } from '../db/schema';

/** Items kept as templates. */
export function templateRepository(db: Db) {
  return {
    all: (): KeptTemplate[] =>
      db
        .select()
        .from(templates)
        .orderBy(templates.name)
        .all()
        .map(({ id, createdAt, kept }) => ({ id, createdAt, ...kept })),
    add: ({ id, createdAt, ...kept }: KeptTemplate) =>
      void db.insert(templates).values({ id, createdAt, name: kept.name, kept }).onConflictDoNothing().run(),
    remove: (id: string): boolean => db.delete(templates).where(eq(templates.id, id)).run().changes > 0,
  };
}
