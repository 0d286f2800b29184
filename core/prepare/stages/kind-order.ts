import type { Zone } from '#core/item/nets';
import type { StepKindId } from '#core/prepare/steps';
import type { PrepareSchools } from './schools';

/** Until all of this is done, nothing dry is begun: water runs from one panel to the next. */
export const WET: readonly StepKindId[] = [
  'cover',
  'melt',
  'wheels',
  'degrease',
  'pre-wash',
  'wash',
  'rinseless',
  'brush-gaps',
  'iron',
  'tar',
  'clay',
  'dry',
  'dry-by-towel',
];
/** The last touch before laying: dust made after it has to be wiped off again. */
export const STRIPPING: readonly StepKindId[] = ['prep-wash', 'panel-wipe', 'mild-wipe'];

/** Kinds of steps in the order of the work; wheels and iron move with the school. */
export function kindOrder(schools: PrepareSchools): readonly StepKindId[] {
  const wash: readonly StepKindId[] = ['degrease', 'pre-wash', 'wash', 'rinseless', 'brush-gaps'];
  const washed: readonly StepKindId[] = schools.iron === 'before-wash' ? ['iron', ...wash] : [...wash, 'iron'];
  const cleaned: readonly StepKindId[] = [...washed, 'tar', 'clay', 'dry', 'dry-by-towel'];
  return [
    'cover',
    'melt',
    ...(schools.wheels === 'first' ? (['wheels', ...cleaned] as const) : ([...cleaned, 'wheels'] as const)),
    'interior-clean',
    'peel-transit',
    'strip-found',
    'abrade',
    'chip-clean',
    'chip-fill',
    'chip-level',
    'tape',
    'run-level',
    'sanding-p2000',
    'sanding-p3000',
    'cutting',
    'look-again',
    'single-stage',
    'refining',
    'finishing',
    'filling-polish',
    'inspection',
    'trim-restore',
    'glass-polish',
    'metal-polish',
    'acrylic-polish',
    ...STRIPPING,
  ];
}

/** Tops before the item is raised, what is underneath last. */
const ZONE_ORDER: Readonly<Record<Zone, number>> = { top: 0, front: 1, rear: 2, left: 3, right: 4, under: 5 };
/** Where a zone comes in the order of reach; a surface of no zone is reached like a side. */
export const zoneRank = (zone: Zone | undefined): number => ZONE_ORDER[zone ?? 'left'];
