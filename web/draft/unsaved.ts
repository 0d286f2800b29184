import type { JobDraft } from '#formats/job';

/** What is not yet on the server's disk of one job. */
export interface Unsaved {
  /** The server's version it was made of, and what the server had under it; unknown where an earlier edition kept it. */
  readonly version: number;
  readonly base?: JobDraft | undefined;
  readonly draft: JobDraft;
  /** What was sent and never answered. */
  readonly sent?: readonly JobDraft[] | undefined;
}
