import { gramsOf, type StockThing } from '#core/stock';
import { swing } from './swing';

/** Weighs one vessel, g. */
export interface BottleScale {
  /** Its readings are a stand-in's, and are marked so wherever they are kept. */
  readonly simulated: boolean;
  /** @returns undefined for what no scale tells */
  read(thing: StockThing, densityGPerMl: number): number | undefined;
}

/** What an empty vessel weighs for what it holds, g: glass with its dropper, and for tins the tin. */
const emptyGuessG = (size: number): number => 18 + 0.62 * size ** 0.92;
/** A hand lays this much more or less than the bottle was thought to give, as a share of what is gone. */
const HAND_SPREAD = 0.12;

/**
 * Stands in for a real scale: the vessel, what is thought to be left in it, and how much more or less than that a hand
 * has really taken. The same vessel at the same level weighs the same.
 */
export const simulatedBottleScale: BottleScale = {
  simulated: true,
  read(thing, densityGPerMl) {
    const { size, remaining, unit, id } = thing;
    const emptyG = thing.emptyG ?? emptyGuessG(size);
    const taken = (size - remaining) * (1 + HAND_SPREAD * swing(`${id}/${thing.of}`));
    const left = gramsOf(Math.min(size, Math.max(0, size - taken)), unit, densityGPerMl);
    return left === undefined ? undefined : Math.round(10 * (emptyG + left)) / 10;
  },
};
