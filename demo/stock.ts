import { MINUTES_PER_DAY } from '#core/measures';
import { SUPPLIES, type SupplyId } from '#core/stock';
import type { BoughtThingInput, NewStockEntry } from '#formats/stock';
import { instantAfter } from '#formats/values';
import { SHELF } from './sample';

type Entry = NewStockEntry['entry'];

/** Where things stand in the yard. */
const LOCKER = 'Cold locker';
const RACK = 'Rack by bay 1';
const BIN = 'Towel bins';

interface Bottle {
  readonly thing: string;
  readonly of: string;
  readonly size: number;
  readonly batch: string;
  readonly rollMm?: number;
  /** The roll it is a rest of: it costs no more. */
  readonly offcutOf?: string;
  /** Days ago. */
  readonly bought: number;
  readonly opened?: number;
  /** What is left in it, where somebody has counted it since. */
  readonly left?: number;
  readonly place?: string;
}

/** The bottles, tins and rolls of the yard. Batches are the makers' own; days are counted back from today. */
const BOTTLES: readonly Bottle[] = [
  { thing: 'ledger-base-1', of: 'ledger-base', size: 50, batch: 'K-117', bought: 34 },
  { thing: 'ledger-base-2', of: 'ledger-base', size: 30, batch: 'K-121', bought: 12 },
  { thing: 'ledger-top-1', of: 'ledger-top', size: 30, batch: 'T-044', bought: 34 },
  { thing: 'ledger-top-2', of: 'ledger-top', size: 30, batch: 'T-044', bought: 34 },
  { thing: 'keelstone-1', of: 'keelstone', size: 100, batch: 'P-9', bought: 60, opened: 40, left: 61 },
  { thing: 'slack-water-1', of: 'slack-water', size: 50, batch: 'S-201', bought: 260, opened: 231, left: 14 },
  { thing: 'slack-water-2', of: 'slack-water', size: 50, batch: 'S-233', bought: 20 },
  { thing: 'lantern-1', of: 'lantern', size: 30, batch: 'G-77', bought: 90, opened: 48, left: 8 },
  { thing: 'lantern-2', of: 'lantern', size: 30, batch: 'G-80', bought: 9 },
  { thing: 'dockside-1', of: 'dockside', size: 30, batch: 'D-5', bought: 30 },
  { thing: 'bollard-1', of: 'bollard', size: 50, batch: 'W-12', bought: 30 },
  { thing: 'breakwater-0', of: 'breakwater', size: 250, batch: 'B-880', bought: 410 },
  { thing: 'breakwater-1', of: 'breakwater', size: 500, batch: 'B-902', bought: 120 },
  { thing: 'deck-hand-1', of: 'deck-hand', size: 250, batch: 'M-31', bought: 45 },
  {
    thing: 'harbour-paste-1',
    of: 'harbour-paste',
    size: 200,
    batch: 'H-3',
    bought: 300,
    opened: 280,
    left: 79,
    place: RACK,
  },
  { thing: 'squall-1', of: 'squall', size: 500, batch: 'Q-18', bought: 70, opened: 66, left: 90, place: RACK },
  {
    thing: 'pilot-film-1',
    of: 'pilot-film',
    size: 22.8,
    batch: 'F-1502',
    rollMm: 1524,
    bought: 80,
    opened: 76,
    left: 9.4,
    place: 'Roll rack',
  },
  // 620 mm by 900 mm of an earlier roll, paid for by the job it was left of.
  {
    thing: 'pilot-offcut-1',
    of: 'pilot-film',
    size: 0.558,
    batch: 'F-1389',
    rollMm: 620,
    offcutOf: 'pilot-film-0',
    bought: 41,
    place: 'Offcuts',
  },
];

/** What lies beside the bottles: what it is, how much, what was paid, minor units. */
const BESIDE: readonly (readonly [of: SupplyId, size: number, paid: number, place: string])[] = [
  ['gloves', 50, 1450, RACK],
  ['gloves', 50, 1450, RACK],
  ['mask', 10, 3900, RACK],
  ['dust-mask', 20, 1900, RACK],
  ['glasses', 4, 2600, RACK],
  ['coating-towel', 60, 5400, BIN],
  ['applicator', 40, 2200, BIN],
  ['suede', 50, 1800, BIN],
  ['polishing-towel', 30, 4800, BIN],
  ['drying-towel', 8, 6400, BIN],
  ['wipe-cloth', 60, 2400, BIN],
  ['tape', 250, 2900, RACK],
  ['distilled-water', 10_000, 700, RACK],
  ['blade', 100, 900, 'Drawer 2'],
  ['brush', 12, 1700, RACK],
];

/** Batches by product, of the bottles that were in hand. */
export const batchesOf = (...things: readonly string[]): ReadonlyMap<string, string> =>
  new Map(BOTTLES.filter(({ thing }) => things.includes(thing)).map(({ of, batch }) => [of, batch]));

/** What is poured and clayed with, of the preparation shelf: its sheet, how much, what was paid. */
const POURED: readonly (readonly [of: string, size: number, unit: 'ml' | 'g' | '', paid: number])[] = [
  ['sluice', 5000, 'ml', 3400],
  ['harbour-soap', 5000, 'ml', 2900],
  ['frostwash', 1000, 'ml', 2100],
  ['bilge', 1000, 'ml', 1900],
  ['rust-tide', 5000, 'ml', 4600],
  ['rim-water', 5000, 'ml', 3900],
  ['clear-slip', 5000, 'ml', 4200],
  ['sand-bar', 400, 'g', 3600],
  ['shingle', 200, 'g', 1800],
  ['holystone', 1000, 'ml', 5200],
  ['plain-sail', 1000, 'ml', 4800],
  ['fair-weather', 1000, 'ml', 4800],
  ['still-water', 1000, 'ml', 5100],
  ['fibre-125', 12, '', 7200],
  ['fibre-75', 6, '', 3000],
  ['blue-125', 10, '', 5500],
  ['blue-75', 6, '', 2400],
  ['grey-125', 8, '', 4400],
];

/** Which bottle is in hand at which sample job, and from when, in days before today; back on its shelf after so many. */
const IN_HAND: readonly { thing: string; job: string; takenAgo: number; backAgo?: number }[] = [
  { thing: 'breakwater-0', job: 'teal-hatchback-sealant', takenAgo: 398, backAgo: 395.5 },
  { thing: 'breakwater-1', job: 'two-door-classic', takenAgo: 76, backAgo: 73 },
  { thing: 'harbour-paste-1', job: 'two-door-classic', takenAgo: 76, backAgo: 72 },
  { thing: 'deck-hand-1', job: 'marrow-launch', takenAgo: 1.4, backAgo: 0.5 },
  { thing: 'ledger-base-1', job: 'teal-hatchback', takenAgo: 0.2 },
];

/** Weighed full when it came and again after the job: what the yard has learned of what it really uses. */
const WEIGHED: readonly { thing: string; daysAgo: number; grossG: number; emptyG?: number }[] = [
  { thing: 'breakwater-0', daysAgo: 399, grossG: 296, emptyG: 46 },
  { thing: 'breakwater-0', daysAgo: 395, grossG: 206.5 },
  { thing: 'breakwater-1', daysAgo: 77, grossG: 571, emptyG: 71 },
  { thing: 'breakwater-1', daysAgo: 71.5, grossG: 432.5 },
];

/** Everything that happened to the yard's stock up to now, the earliest first. */
export function yardStock(now: string): NewStockEntry[] {
  const ago = (days: number) => instantAfter(now, -days * MINUTES_PER_DAY);
  let named = 0;
  const made = (days: number, entry: Entry): NewStockEntry => ({ id: `yard-${++named}`, at: ago(days), entry });
  const bottles = BOTTLES.flatMap(
    ({ thing, of, size, batch, rollMm, offcutOf, bought, opened, left, place = LOCKER }) => {
      const { unit, packs } = SHELF.find(({ id }) => id === of)!;
      const paid = offcutOf === undefined ? packs.find((pack) => pack.size === size)?.price : 0;
      const as: BoughtThingInput = {
        kind: 'product',
        of,
        size,
        unit,
        batch,
        place,
        ...(paid !== undefined && { paid }),
        ...(rollMm !== undefined && { rollMm }),
        ...(offcutOf !== undefined && { offcutOf }),
      };
      return [
        made(bought, { type: 'bought', thing, as }),
        ...(opened === undefined ? [] : [made(opened, { type: 'opened', thing })]),
        ...(left === undefined ? [] : [made(opened ?? bought, { type: 'counted', thing, remaining: left })]),
      ];
    },
  );
  const supplies = BESIDE.map(([of, size, paid, place], index) => {
    const as: BoughtThingInput = { kind: 'supply', of, size, unit: SUPPLIES[of].unit, paid, place };
    return made(50 - index, { type: 'bought', thing: `${of}-${index + 1}`, as });
  });
  const poured = POURED.map(([of, size, unit, paid], index) => {
    const as: BoughtThingInput = { kind: 'kit', of, size, unit, paid, place: 'Wash bay' };
    return made(40 - index, { type: 'bought', thing: `${of}-1`, as });
  });
  const hands = IN_HAND.flatMap(({ thing, job, takenAgo, backAgo }) => [
    made(takenAgo, { type: 'taken', thing, job }),
    ...(backAgo === undefined ? [] : [made(backAgo, { type: 'put-back', thing })]),
  ]);
  const weighed = WEIGHED.map(({ thing, daysAgo, ...on }) =>
    made(daysAgo, { type: 'weighed', thing, densityGPerMl: 1, simulated: true, ...on }),
  );
  // What was left of it went on a friend's trailer, unwritten.
  const guessed = made(30, { type: 'counted', thing: 'breakwater-0', remaining: 30 });
  return [...bottles, ...supplies, ...poured, ...hands, ...weighed, guessed].sort(
    (a, b) => Date.parse(a.at) - Date.parse(b.at),
  );
}
