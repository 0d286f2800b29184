import { MS_PER_MIN, seeded } from '#core/measures';
import { rhAfterTemperatureChange } from '#core/time/air';
import type { BayReading } from '#core/time/bay-air';
import type { Bay } from '#formats/job';
import { minuteOfDay } from '#formats/values';

export const BAYS: readonly Omit<Bay, 'version'>[] = [
  {
    id: 'bay-1',
    name: 'Bay 1, heated',
    climate: { openC: 21, openRhPct: 48, nightC: 15, opensAtHour: 7, closesAtHour: 19, tauMin: 240 },
    room: {
      volumeM3: 180,
      airChangesPerHour: 1.5,
      doorOpen: { airChangesPerHour: 12, airSpeed: 0.4 },
      offers: { lift: true },
      lamps: ['stand', 'hand'],
    },
  },
  {
    id: 'bay-2',
    name: 'Bay 2, by the door',
    climate: { openC: 19, openRhPct: 52, nightC: 9, opensAtHour: 8, closesAtHour: 18, tauMin: 150 },
    room: {
      volumeM3: 130,
      airChangesPerHour: 2,
      doorOpen: { airChangesPerHour: 15, airSpeed: 0.5 },
      offers: { lift: false },
      lamps: ['hand', 'stand'],
    },
  },
  {
    id: 'slip-shed',
    name: 'Slip shed',
    climate: { openC: 16, openRhPct: 62, nightC: 6, opensAtHour: 8, closesAtHour: 17, tauMin: 90 },
    room: {
      volumeM3: 420,
      airChangesPerHour: 3,
      doorOpen: { airChangesPerHour: 10, airSpeed: 0.6 },
      offers: { lift: false },
    },
  },
];

/** Readings of a bay, by a stand-in for its instrument. */
export interface SampleAir {
  readonly bay: string;
  readonly readings: readonly (BayReading & { readonly source: 'instrument'; readonly simulated: true })[];
}

const DAYS = 14;
const EVERY_MIN = 20;
/** Bays are never quite as somebody typed them in: colder while heated, warmer at night, slower, K and as a factor. */
const OFF = { openK: -0.7, nightK: 1.2, tau: 1.25, noiseK: 0.5 };
/** Now and then an instrument says nonsense, and once it was unplugged, by place among the readings. */
const NONSENSE = new Set([211, 618]);
const UNPLUGGED = [420, 436] as const;

/** Two weeks of the air of the yard's bays, up to now: each day outside a little different. */
export function yardAir(now: string): SampleAir[] {
  const nowMs = Date.parse(now);
  const nowMinute = minuteOfDay(now);
  return BAYS.map(({ id, climate }, bay) => {
    const random = seeded(bay + 11);
    const readings: SampleAir['readings'][number][] = [];
    let airC = climate.nightC + OFF.nightK;
    let dayK = 0;
    for (let min = -DAYS * 1440; min < 0; min++) {
      const minute = (((nowMinute + min) % 1440) + 1440) % 1440;
      if (minute === 0) dayK = 2 * (random() + random() - 1);
      const isOpen = minute >= climate.opensAtHour * 60 && minute < climate.closesAtHour * 60;
      const target = isOpen ? climate.openC + OFF.openK : climate.nightC + OFF.nightK + dayK;
      airC = target + (airC - target) * Math.exp(-1 / (climate.tauMin * OFF.tau));
      const nth = (min + DAYS * 1440) / EVERY_MIN;
      if (!Number.isInteger(nth) || (nth >= UNPLUGGED[0] && nth < UNPLUGGED[1])) continue;
      const said = airC + OFF.noiseK * (random() + random() - 1);
      readings.push({
        atMs: nowMs + min * MS_PER_MIN,
        airC: NONSENSE.has(nth) ? 85 : tenth(said),
        rhPct: tenth(rhAfterTemperatureChange(climate.openC, climate.openRhPct + 6 * dayK * 0.2, said)),
        source: 'instrument',
        simulated: true,
      });
    }
    return { bay: id, readings };
  });
}

const tenth = (value: number) => Math.round(value * 10) / 10;
