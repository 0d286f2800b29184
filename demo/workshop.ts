import type { Offer } from '#core/choose/offers';
import type { Bay } from '#formats/job';
import type { KitEntry, ProductSheet } from '#formats/shelf';
import type { NewStockEntry } from '#formats/stock';
import { BAYS, type SampleAir, yardAir } from './bays';
import { twoSeater } from './items/aeroplane';
import { classic } from './items/classic';
import { hatchbackLastYear, tealHatchback } from './items/hatchback';
import { estate } from './items/estate';
import { launch } from './items/launch';
import { saloon } from './items/saloon';
import { shuttle } from './items/shuttle';
import { tourer } from './items/tourer';
import { demoKit } from './kit';
import { DEMO_OFFERS } from './offers';
import { type SampleJob, SHELF } from './sample';
import { yardStock } from './stock';

export type { SampleJob } from './sample';

export interface SampleWorkshop {
  readonly bays: readonly Omit<Bay, 'version'>[];
  readonly air: readonly SampleAir[];
  readonly shelf: readonly ProductSheet[];
  readonly kit: readonly KitEntry[];
  readonly offers: readonly Offer[];
  readonly stock: readonly NewStockEntry[];
  readonly jobs: readonly SampleJob[];
}

/** The whole yard as it stands at `now` (an instant with its offset): jobs in every state, times around that moment. */
export function ternmouthYard(now: string): SampleWorkshop {
  return {
    bays: BAYS,
    air: yardAir(now),
    shelf: SHELF,
    kit: demoKit(now),
    offers: DEMO_OFFERS,
    stock: yardStock(now),
    jobs: [
      tealHatchback(now),
      hatchbackLastYear(now),
      launch(now),
      tourer(now),
      shuttle(now),
      classic(now),
      twoSeater(now),
      saloon(now),
      estate(now),
    ],
  };
}
