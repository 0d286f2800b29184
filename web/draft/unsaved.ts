import type { JobDraft } from '#formats/job';

/** What is not yet on the server's disk of one job. */
export interface Unsaved {
  /** The server's version it was made of, and what the server had under it. */
  readonly version: number;
  readonly base: JobDraft;
  readonly draft: JobDraft;
  /** What was sent and never answered. */
  readonly sent?: readonly JobDraft[] | undefined;
}

/** What was sent and never answered: only the last few can still be what the server has. */
const SENT_KEPT = 5;
export const lastSent = (sent: readonly JobDraft[]): readonly JobDraft[] => sent.slice(-SENT_KEPT);
