import type { JobDraft } from '#formats/job';
import { mergeThree } from '#formats/values';
import { lastSent, type Unsaved } from './unsaved';

/** Two edits of one draft as one; where both changed the same fact it is as this tab has it: its hands were there last. */
export function joinedDrafts(from: JobDraft, mine: JobDraft, theirs: JobDraft): JobDraft {
  const { clashes } = mergeThree(from, mine, theirs);
  return mergeThree(from, mine, theirs, new Set(clashes.map(({ path }) => path))).merged;
}

/**
 * What this tab has unsaved of a job joined with what another tab of the device wrote meanwhile: made of the newer of
 * their two versions.
 * @param seen what both last had in common; undefined: what the server had under the older version
 */
export function joined(mine: Unsaved, theirs: Unsaved, seen: Pick<Unsaved, 'draft'> | undefined): Unsaved {
  const [older, newer] = mine.version <= theirs.version ? [mine, theirs] : [theirs, mine];
  const sent = lastSent([...(theirs.sent ?? []), ...(mine.sent ?? [])]);
  return {
    version: newer.version,
    base: newer.base,
    draft: joinedDrafts(seen?.draft ?? older.base, mine.draft, theirs.draft),
    ...(sent.length > 0 && { sent }),
  };
}
