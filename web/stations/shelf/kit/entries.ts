import type { KitEntry } from '#formats/shelf';

export type PadEntry = Extract<KitEntry, { kind: 'pad-in-use' }>;
