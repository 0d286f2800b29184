import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { FoundId } from '#core/products/families';

/** A way of taking a layer off. Rates and amounts are engineering defaults until learned. */
export interface RemovalMethod {
  readonly name: string;
  readonly minPerM2: number;
  /** What a square metre uses. */
  readonly uses: readonly { readonly what: string; readonly unit: string; readonly perM2: number }[];
  /** Clear coat it takes, micrometres: from, to. The ledger counts the upper end. */
  readonly clearUm: readonly [number, number];
  /** Said where the step is done. */
  readonly caution: string;
  /** How to tell that it has worked. */
  readonly test: string;
  readonly worksOn: (substrate: SubstrateId) => boolean;
}

const GLASS: readonly SubstrateId[] = ['glass', 'windscreen'];
const SOFT_FILM: readonly SubstrateId[] = ['film-gloss', 'film-matte', 'vinyl'];
const TEXTILE: readonly SubstrateId[] = ['fabric', 'leather'];
/** No coat of its own that a polish may take from: what chemistry leaves there wears off. */
const NOT_POLISHED: readonly SubstrateId[] = ['wheel', 'caliper', 'carbon', 'wood', 'plate'];
/** Etched or stained by strong alkali or acid. */
const ETCHED: readonly SubstrateId[] = ['bare-metal', 'chrome', 'film-matte', 'clear-matte'];
const POROUS: readonly SubstrateId[] = ['textured-plastic', 'rubber', 'interior-plastic', ...TEXTILE];

const anywhere = () => true;
const hardSurface = (id: SubstrateId) => !TEXTILE.includes(id);
const solventProof = (id: SubstrateId) => id !== 'acrylic-window' && !TEXTILE.includes(id) && id !== 'vinyl';
const polishable = (id: SubstrateId) => SUBSTRATES[id].polishable === true;

const waterTest = 'Rinse: water lies flat and sheets off instead of beading.';

const define = <T extends Record<string, RemovalMethod>>(table: T) => table;

const TABLE = define({
  'strip-wash': {
    name: 'Strip wash',
    minPerM2: 2.5,
    uses: [{ what: 'strip shampoo', unit: 'ml', perM2: 12 }],
    clearUm: [0, 0],
    caution: 'Alkaline: gloves and goggles. Never let it dry; keep it out of the drain.',
    test: waterTest,
    worksOn: hardSurface,
  },
  'alkali-acid-wash': {
    name: 'Strong alkaline, then mild acid wash',
    minPerM2: 5,
    uses: [
      { what: 'alkaline cleaner', unit: 'ml', perM2: 25 },
      { what: 'acid cleaner', unit: 'ml', perM2: 20 },
    ],
    clearUm: [0, 0],
    caution: 'Never mix the two: rinse between them. Gloves, goggles, fresh air; not on bare metal or chrome.',
    test: waterTest,
    worksOn: (id) => solventProof(id) && !ETCHED.includes(id),
  },
  'panel-wipe': {
    name: 'Panel wipe',
    minPerM2: 1.5,
    uses: [
      { what: 'panel wipe', unit: 'ml', perM2: 12 },
      { what: 'cloths', unit: '', perM2: 0.4 },
    ],
    clearUm: [0, 0],
    caution:
      'Flammable vapour: no heater or spark near, move air, gloves. On the cloth, not the panel, where the finish is delicate.',
    test: 'The cloth squeaks; water sheets.',
    worksOn: (id) => solventProof(id) && id !== 'lens-plastic',
  },
  clay: {
    name: 'Clay, well lubricated',
    minPerM2: 4,
    uses: [{ what: 'clay', unit: 'g', perM2: 5 }],
    clearUm: [0, 0],
    caution: 'Drop it once and it is rubbish: grit scratches.',
    test: waterTest,
    worksOn: (id) => polishable(id) || GLASS.includes(id) || id === 'wheel',
  },
  'finishing-polish': {
    name: 'Finishing polish',
    minPerM2: 5,
    uses: [
      { what: 'finishing polish', unit: 'ml', perM2: 6 },
      { what: 'soft pads', unit: '', perM2: 0.2 },
    ],
    clearUm: [0.5, 1],
    caution:
      'Low speed and little pressure on edges, raised lines and plastics. Dust mask; hearing protection with a rotary.',
    test: 'Panel wipe, then water: it sheets.',
    worksOn: polishable,
  },
  'single-stage-polish': {
    name: 'One-step polish',
    minPerM2: 9,
    uses: [
      { what: 'one-step polish', unit: 'ml', perM2: 9 },
      { what: 'polishing pads', unit: '', perM2: 0.25 },
    ],
    clearUm: [1, 2],
    caution: 'Measure before and after. Stay off edges: paint is thinnest there.',
    test: 'Panel wipe, then water: it sheets.',
    worksOn: polishable,
  },
  cutting: {
    name: 'Cutting compound',
    minPerM2: 18,
    uses: [
      { what: 'compound', unit: 'ml', perM2: 15 },
      { what: 'cutting pads', unit: '', perM2: 0.4 },
      { what: 'finishing polish', unit: 'ml', perM2: 6 },
    ],
    clearUm: [2, 4],
    caution: 'Takes clear that never comes back. Measure each panel; mask edges; eye and ear protection.',
    test: 'Panel wipe, then water: it sheets. Refine the haze afterwards.',
    worksOn: polishable,
  },
  'glass-polish': {
    name: 'Glass polish',
    minPerM2: 3,
    uses: [
      { what: 'glass polish', unit: 'ml', perM2: 8 },
      { what: 'felt pads', unit: '', perM2: 0.2 },
    ],
    clearUm: [0, 0],
    caution: 'Goggles. Keep the pad moving: a hot spot can crack glass.',
    test: 'It squeaks and dries with one clean line.',
    worksOn: (id) => GLASS.includes(id),
  },
  'metal-polish': {
    name: 'Metal polish, by hand',
    minPerM2: 8,
    uses: [{ what: 'metal polish', unit: 'ml', perM2: 10 }],
    clearUm: [0, 0],
    caution: 'Try a small spot: thin plating rubs through. Gloves; mask the paint beside it.',
    test: 'It squeaks under a clean cloth; water sheets.',
    worksOn: (id) => SUBSTRATES[id].metalFinish === true,
  },
  'acrylic-polish': {
    name: 'Acrylic polish, by hand',
    minPerM2: 8,
    uses: [{ what: 'acrylic polish', unit: 'ml', perM2: 10 }],
    clearUm: [0, 0],
    caution: 'Only a polish made for acrylic, rinsed first: grit scratches it. No solvent, no glass cleaner.',
    test: 'Clear in a side light; water sheets.',
    worksOn: (id) => id === 'acrylic-window',
  },
  'trim-cleaner': {
    name: 'Trim cleaner and stiff brush',
    minPerM2: 8,
    uses: [{ what: 'trim cleaner', unit: 'ml', perM2: 30 }],
    clearUm: [0, 0],
    caution: 'Try a hidden spot: some plastics go pale. Gloves.',
    test: 'The colour is even and water no longer beads.',
    worksOn: (id) => POROUS.includes(id) && !TEXTILE.includes(id),
  },
  extraction: {
    name: 'Wet extraction',
    minPerM2: 10,
    uses: [{ what: 'textile cleaner', unit: 'ml', perM2: 60 }],
    clearUm: [0, 0],
    caution: 'Test for colour change; electricity stays off the wet floor.',
    test: 'A drop of water soaks in.',
    worksOn: (id) => TEXTILE.includes(id),
  },
  'heat-and-pull': {
    name: 'Warm and pull',
    minPerM2: 35,
    uses: [{ what: 'plastic blades', unit: '', perM2: 0.1 }],
    clearUm: [0, 0],
    caution: `50 to 60 °C at the surface, no more; burns and steam. Old or refinished paint can lift with it: test a corner and warn the owner in writing.`,
    test: 'No edge of film left under a hand light.',
    worksOn: anywhere,
  },
  'adhesive-remover': {
    name: 'Adhesive remover and plastic blade',
    minPerM2: 10,
    uses: [
      { what: 'adhesive remover', unit: 'ml', perM2: 40 },
      { what: 'cloths', unit: '', perM2: 0.6 },
    ],
    clearUm: [0, 0],
    caution: 'Solvent vapour: move air, gloves, no flame. Keep it off seals.',
    test: 'Nothing sticks to the back of a finger.',
    worksOn: solventProof,
  },
  'wear-off': {
    name: 'Leave it to wear off',
    minPerM2: 0,
    uses: [],
    clearUm: [0, 0],
    caution: 'Aggressive removal would harm this surface.',
    test: 'Water no longer beads.',
    worksOn: (id) =>
      [POROUS, SOFT_FILM, NOT_POLISHED].some((group) => group.includes(id)) || SUBSTRATES[id].matte === true,
  },
});

export type RemovalMethodId = keyof typeof TABLE;
export const REMOVAL_METHODS: Readonly<Record<RemovalMethodId, RemovalMethod>> = TABLE;
/** Mildest first. */
export const REMOVAL_METHOD_IDS = Object.keys(TABLE) as [RemovalMethodId, ...RemovalMethodId[]];

/** Chance that a method takes the layer off: before full hardness, once hard, and at the end of its life. */
export interface RemovalChance {
  readonly method: RemovalMethodId;
  readonly fresh: number;
  readonly hard: number;
  readonly worn: number;
}

const chance = (method: RemovalMethodId, fresh: number, hard: number, worn: number): RemovalChance => ({
  method,
  fresh,
  hard,
  worn,
});

const WAX = [
  chance('strip-wash', 0.55, 0.5, 0.8),
  chance('panel-wipe', 0.85, 0.8, 0.95),
  chance('clay', 0.7, 0.7, 0.85),
  chance('finishing-polish', 0.99, 0.99, 0.99),
  chance('glass-polish', 0.99, 0.99, 0.99),
  chance('metal-polish', 0.99, 0.99, 0.99),
  chance('acrylic-polish', 0.99, 0.99, 0.99),
  chance('wear-off', 1, 1, 1),
];
const COATING = [
  chance('panel-wipe', 0.5, 0, 0.02),
  chance('alkali-acid-wash', 0.15, 0.05, 0.25),
  chance('finishing-polish', 0.65, 0.3, 0.7),
  chance('single-stage-polish', 0.9, 0.65, 0.9),
  chance('cutting', 0.99, 0.96, 0.99),
  chance('glass-polish', 0.95, 0.8, 0.95),
  chance('metal-polish', 0.95, 0.8, 0.95),
  chance('acrylic-polish', 0.85, 0.6, 0.85),
  chance('wear-off', 1, 1, 1),
];
const ON_TRIM = [
  chance('strip-wash', 0.3, 0.15, 0.5),
  chance('trim-cleaner', 0.6, 0.45, 0.75),
  chance('wear-off', 1, 1, 1),
];

/** Mildest first. A method that does not work on the surface is left out of its ladder. */
export const REMOVAL_LADDERS: Readonly<Record<FoundId, readonly RemovalChance[]>> = {
  'cleaner-wax': WAX,
  'paste-wax': WAX,
  'liquid-wax': WAX,
  sealant: [
    chance('strip-wash', 0.4, 0.3, 0.7),
    chance('clay', 0.6, 0.5, 0.8),
    chance('finishing-polish', 0.95, 0.92, 0.98),
    chance('single-stage-polish', 0.99, 0.99, 0.99),
    chance('glass-polish', 0.98, 0.98, 0.98),
    chance('metal-polish', 0.98, 0.98, 0.98),
    chance('acrylic-polish', 0.98, 0.98, 0.98),
    chance('wear-off', 1, 1, 1),
  ],
  'spray-coating': [
    chance('panel-wipe', 0.5, 0.05, 0.1),
    chance('alkali-acid-wash', 0.5, 0.35, 0.65),
    chance('finishing-polish', 0.9, 0.78, 0.92),
    chance('single-stage-polish', 0.99, 0.97, 0.99),
    chance('glass-polish', 0.97, 0.9, 0.97),
    chance('metal-polish', 0.97, 0.9, 0.97),
    chance('acrylic-polish', 0.95, 0.85, 0.95),
    chance('wear-off', 1, 1, 1),
  ],
  'ceramic-primer': COATING,
  'ceramic-base': COATING,
  'ceramic-top': COATING,
  ceramic: COATING,
  'glass-coating': COATING,
  'wheel-coating': COATING,
  'trim-coating': ON_TRIM,
  'vinyl-coating': [chance('strip-wash', 0.3, 0.15, 0.5), chance('wear-off', 1, 1, 1)],
  'fabric-guard': [chance('extraction', 0.6, 0.5, 0.8), chance('wear-off', 1, 1, 1)],
  topper: [chance('strip-wash', 0.75, 0.7, 0.9), ...WAX.slice(1)],
  film: [chance('heat-and-pull', 1, 1, 1)],
  dressing: [
    chance('strip-wash', 0.9, 0.9, 0.95),
    chance('trim-cleaner', 0.99, 0.99, 0.99),
    chance('wear-off', 1, 1, 1),
  ],
  // Wax as often as a coating: each step is tried and tested before the next.
  unknown: [
    chance('strip-wash', 0.4, 0.35, 0.5),
    chance('panel-wipe', 0.4, 0.3, 0.4),
    chance('clay', 0.35, 0.3, 0.4),
    chance('trim-cleaner', 0.6, 0.5, 0.7),
    chance('extraction', 0.6, 0.5, 0.7),
    chance('finishing-polish', 0.7, 0.6, 0.75),
    chance('single-stage-polish', 0.9, 0.8, 0.9),
    chance('cutting', 0.99, 0.97, 0.99),
    chance('glass-polish', 0.97, 0.9, 0.97),
    chance('metal-polish', 0.97, 0.9, 0.97),
    chance('acrylic-polish', 0.95, 0.85, 0.95),
    chance('wear-off', 1, 1, 1),
  ],
};

/** What a sheet itself names is expected to work at least nine times in ten: an engineering default. */
export const NAMED_CHANCE = 0.9;

/** The ladder of a family, with what the product's own sheet says it comes off by in its place among the others. */
export function removalLadder(family: FoundId, named: readonly RemovalMethodId[] = []): readonly RemovalChance[] {
  const usual = REMOVAL_LADDERS[family];
  if (named.length === 0) return usual;
  const atLeast = (method: RemovalMethodId): RemovalChance => {
    const { fresh = 0, hard = 0, worn = 0 } = usual.find((rung) => rung.method === method) ?? {};
    return chance(method, Math.max(fresh, NAMED_CHANCE), Math.max(hard, NAMED_CHANCE), Math.max(worn, NAMED_CHANCE));
  };
  const ladder = usual.map((rung) => (named.includes(rung.method) ? atLeast(rung.method) : rung));
  const mildness = ({ method }: RemovalChance) => REMOVAL_METHOD_IDS.indexOf(method);
  for (const method of named.filter((one) => !usual.some((rung) => rung.method === one))) {
    const rung = atLeast(method);
    const harsher = ladder.findIndex((other) => mildness(other) > mildness(rung));
    ladder.splice(harsher === -1 ? ladder.length : harsher, 0, rung);
  }
  return ladder;
}
