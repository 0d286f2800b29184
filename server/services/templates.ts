import type { KeptTemplate, KeptTemplateDraft } from '#formats/job';
import type { Db } from '../db/open';
import { notFound } from '../http/problem';
import { templateRepository } from '../repositories/templates';
import type { ChangeFeed } from './changes';

/** Templates the workshop has made of its own items. */
export function templateService(db: Db, changes: ChangeFeed, now: () => Date) {
  const templates = templateRepository(db);
  return {
    all: templates.all,
    /** Kept once, however often it is sent. */
    add(id: string, draft: KeptTemplateDraft): KeptTemplate {
      templates.add({ id, createdAt: now().toISOString(), ...draft });
      changes.tell({ kind: 'template', id });
      return templates.all().find((template) => template.id === id)!;
    },
    remove(id: string): void {
      if (!templates.remove(id)) throw notFound('template', id);
      changes.tell({ kind: 'template', id });
    },
  };
}
