import type { Bay } from '#formats/job';

export const BAYS: readonly Omit<Bay, 'version'>[] = [
  {
    id: 'bay-1',
    name: 'Bay 1, heated',
    climate: { openC: 21, openRhPct: 48, nightC: 15, opensAtHour: 7, closesAtHour: 19, tauMin: 240 },
  },
  {
    id: 'bay-2',
    name: 'Bay 2, by the door',
    climate: { openC: 19, openRhPct: 52, nightC: 9, opensAtHour: 8, closesAtHour: 18, tauMin: 150 },
  },
  {
    id: 'slip-shed',
    name: 'Slip shed',
    climate: { openC: 16, openRhPct: 62, nightC: 6, opensAtHour: 8, closesAtHour: 17, tauMin: 90 },
  },
];
