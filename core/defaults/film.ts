import {
  CUT_OUT_MM,
  RELIEF_STOP_MM,
  SENSOR_MM,
  SPLIT_OVERLAP_MM,
  STRETCH_IN_HAND,
  TRIM_MM,
  WRAP_MM,
} from '../film/blanks/blanks';
import { CUTTER_IDS, CUTTERS } from '../film/cutters/cutters';
import { ALCOHOL_SHARE, SLIP_ML_PER_M2, SOAP_ML_PER_L, TACK_ML_PER_M2, USUAL_C, USUAL_UM } from '../film/mixes/mixes';
import { STRIP_MM, WORN_EDGES } from '../film/sets/sets';
import { PIECE_IDS, PIECES } from '../item/make/make';
import { FILM_PER_CURVATURE, MOST_FOR_CURVATURE } from '../plan/sections/slowness';
import { type DefaultGroup, figure } from './group';

export const FILM_DEFAULTS: readonly DefaultGroup[] = [
  {
    name: 'Film margins',
    why: 'Film is wrapped round an edge that returns and trimmed on the item where it is cut in bulk; it ends short of what is let in, and farther from what a sensor looks through.',
    overriddenBy: 'the margins of the film in the job, the cutter that is chosen',
    defaults: [
      figure('Wrapped round an edge that returns', WRAP_MM, 'mm'),
      figure('Over the edge, trimmed on the item', TRIM_MM, 'mm'),
      figure('Two parts of one panel overlap by', SPLIT_OVERLAP_MM, 'mm'),
      figure('Ends before what is let in', CUT_OUT_MM, 'mm'),
      figure('Ends before a sensor', SENSOR_MM, 'mm'),
      figure('A relief cut ends before the corner', RELIEF_STOP_MM, 'mm'),
      figure('Of its stretch, kept for edges and corners', STRETCH_IN_HAND),
      ...CUTTER_IDS.map((id) => figure(`Cuts apart: ${CUTTERS[id].name.toLowerCase()}`, CUTTERS[id].gapMm, 'mm')),
      figure('A strip behind the front edge', STRIP_MM, 'mm'),
      ...WORN_EDGES.map(({ name, depthMm, side }) => figure(`A strip on the ${name} (${side})`, depthMm, 'mm')),
    ],
  },
  {
    name: 'Installing film',
    why: 'Film floats on slip and is set by tack; warm film grabs sooner, thick film needs more to float on. Stretching it round a curve takes time.',
    overriddenBy: 'the product’s data sheet, runs at the bay',
    defaults: [
      figure('Slip', SLIP_ML_PER_M2, 'ml/m²'),
      figure('Tack', TACK_ML_PER_M2, 'ml/m²'),
      figure('Soap in the slip', SOAP_ML_PER_L, 'ml/l'),
      figure('Alcohol in the tack', ALCOHOL_SHARE),
      figure('Both are for a surface of', USUAL_C, '°C'),
      figure('and a film of', USUAL_UM, 'µm'),
      figure('Slower for each unit of developed over flat area ×', FILM_PER_CURVATURE),
      figure('Slower by its curves at most ×', MOST_FOR_CURVATURE),
      ...PIECE_IDS.map((id) => figure(`Film on one: ${PIECES[id].name.toLowerCase()}`, PIECES[id].filmMin, 'min each')),
    ],
  },
];
