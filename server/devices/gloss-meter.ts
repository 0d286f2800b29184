import { SUBSTRATES, type SubstrateId } from '#core/item/substrates';
import { swing } from './swing';

/** Where the meter is set down. */
export interface GlossSpot {
  readonly panel: string;
  readonly substrate: SubstrateId;
  /** Whether it was worked on since it came in. */
  readonly worked: boolean;
  /** Which reading on this panel it is, from 1. */
  readonly nth: number;
}

/** Reads gloss at 60°, gloss units. */
export interface GlossMeter {
  /** Its readings are a stand-in's, and are marked so wherever they are kept. */
  readonly simulated: boolean;
  read(spot: GlossSpot): number;
}

/** Used clear coat reads some 80 to 90, polished and coated 90 and more, satin 20 to 35: what a meter shows on them. */
const USUAL = { gloss: 84, worked: 9, matte: 26, mattWorked: 1.5, scatter: 1.6 } as const;

/** Stands in for a real meter: the same spot gives the same reading. */
export const simulatedGlossMeter: GlossMeter = {
  simulated: true,
  read({ panel, substrate, worked, nth }) {
    const { matte } = SUBSTRATES[substrate];
    const middle = matte ? USUAL.matte : USUAL.gloss;
    const gain = !worked ? 0 : matte ? USUAL.mattWorked : USUAL.worked;
    return Math.round(10 * (middle + gain + USUAL.scatter * (swing(panel) + swing(`${panel}/${nth}`)))) / 10;
  },
};
