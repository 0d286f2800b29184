/** What the server tells every open window that it has changed. */
const TOLD_SUBJECTS = [
  'job',
  'log',
  'summary',
  'product',
  'bay',
  'air',
  'photos',
  'template',
  'kit',
  'offer',
  'stock',
  'ticks',
  'people',
  'handovers',
  'calendar',
] as const;

/** What answers are made of and calls change: what is kept, kind by kind. */
export const SUBJECTS = [...TOLD_SUBJECTS, 'me', 'audit', 'network', 'link', 'backup'] as const;
export type Subject = (typeof SUBJECTS)[number];

/** A change, as the server tells it to every open window. */
export interface Change {
  readonly kind: (typeof TOLD_SUBJECTS)[number];
  readonly id: string;
}
