import { gaugeReads, type PaintSystem, type ReadPart } from '#core/survey/paint';
import { swing } from './swing';

/** Where the probe is set down. */
export interface ProbeSpot extends ReadPart {
  readonly panel: string;
  readonly paint: PaintSystem;
  /** Which reading on this panel it is, from 1. */
  readonly nth: number;
}

/** Reads the coats under its probe, µm; null where there is no metal under them. */
export interface ThicknessGauge {
  /** Its readings are a stand-in's, and are marked so wherever they are kept. */
  readonly simulated: boolean;
  read(spot: ProbeSpot): number | null;
}

/** What a gauge finds on each system: the middle of it, and how far spots on one panel scatter, µm. */
const USUAL_UM: Readonly<Record<PaintSystem, readonly [middle: number, scatter: number]>> = {
  factory: [112, 6],
  refinished: [215, 22],
  'single-stage': [98, 7],
};
/** Panels of one item differ among each other by as much, µm. */
const PANEL_SCATTER_UM = 5;

/** Stands in for a real gauge: the same spot gives the same reading, and spots scatter as paint does. */
export const simulatedThicknessGauge: ThicknessGauge = {
  simulated: true,
  read({ panel, paint, nth, ...part }) {
    if (!gaugeReads(part)) return null;
    const [middle, scatter] = USUAL_UM[paint];
    return Math.round(middle + PANEL_SCATTER_UM * swing(panel) + scatter * swing(`${panel}/${nth}`));
  },
};
