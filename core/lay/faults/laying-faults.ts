import type { FamilyId } from '#core/products/families';

/** A fault seen while laying or just after, in the trade's own words. */
interface LayingFaultDefinition {
  readonly name: string;
  /** Of film: what is poured has none of these, and film none of the others. */
  readonly ofFilm?: true;
}

const define = <T extends Record<string, LayingFaultDefinition>>(table: T) => table;

/** What is done about each is in the table of remedies. A new fault is an entry in both. */
const TABLE = define({
  'high-spot': { name: 'High spot' },
  streaks: { name: 'Streaks, grabbing' },
  'missed-patch': { name: 'Missed patch' },
  patchy: { name: 'Dry or patchy' },
  haze: { name: 'Haze, smear' },
  'drip-mark': { name: 'Water drip mark' },
  dust: { name: 'Dust or lint' },
  marring: { name: 'Marring' },
  fingers: { name: 'Fingers: dry ridges', ofFilm: true },
  bubbles: { name: 'Bubbles of water', ofFilm: true },
  silvering: { name: 'Silvering: grey, full of air', ofFilm: true },
  lift: { name: 'Edge lifts', ofFilm: true },
  'dirt-under': { name: 'Dirt under the film', ofFilm: true },
  'stretch-marks': { name: 'Stretch marks', ofFilm: true },
});

export type LayingFault = keyof typeof TABLE;
export const LAYING_FAULTS: Readonly<Record<LayingFault, LayingFaultDefinition>> = TABLE;
export const LAYING_FAULT_IDS = Object.keys(TABLE) as [LayingFault, ...LayingFault[]];

/** What can go wrong with what is laid. */
export const faultsOf = (family: FamilyId): LayingFault[] =>
  LAYING_FAULT_IDS.filter((fault) => (LAYING_FAULTS[fault].ofFilm === true) === (family === 'film'));
