import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';

/** What a step's time grows with. */
export type PaceBy = 'area' | 'piece' | 'edge';

/** Something a step uses. A pad is counted by what loads it where the shelf says which one is taken. */
export interface StepUse {
  readonly what: string;
  readonly unit: string;
  readonly per: number;
  readonly as?: 'pad';
}

/** One kind of preparation step. Rates and amounts are the trade's defaults until learned. */
export interface StepKind {
  readonly name: string;
  /** Minutes per m², per piece, or per metre of edge, at medium condition. */
  readonly pace: { readonly by: PaceBy; readonly min: number };
  /** What a m², a piece or a metre uses. */
  readonly uses: readonly StepUse[];
  /** Clear coat it takes, µm: from, to. The ledger counts the upper end. */
  readonly clearUm: readonly [number, number];
  readonly caution: string;
  /** What follows if it is left out. */
  readonly leftOut: string;
  /** Must not dry on the surface; rinsed after so many minutes, once for all that is sprayed in one go. */
  readonly dwellMin?: number;
  /** Left to dry before anything else is done there, minutes: time for something else on the item. */
  readonly driesMin?: number;
  /** Left to cure before anything is laid over it, minutes; other preparation may go on. */
  readonly curesMin?: number;
  /** When a patch is finished, as seen; a fixed number of passes doubles the hours. */
  readonly stopWhen?: string;
  /** What the site has to offer. */
  readonly needs?: readonly SiteNeed[];
  /** Slower on hard paint, and with the marks it has to move. */
  readonly polishes?: true;
}

export type SiteNeed = 'running-water' | 'above-freezing' | 'power' | 'shade';

const define = <T extends Record<string, StepKind>>(table: T) => table;

const WASHED_IN: readonly SiteNeed[] = ['running-water', 'above-freezing'];

/** Sanding before a cut, evenly over a panel; the grit decides how fast and how deep. */
const sanding = (grit: string, min: number, clearUm: StepKind['clearUm']): StepKind => ({
  name: `Sanding, ${grit}`,
  pace: { by: 'area', min },
  uses: [{ what: `sanding discs ${grit}`, unit: '', per: 2 }],
  clearUm,
  caution:
    'Never on edges, creases or plastic: tape them. Wet, or with a mask and extraction: the dust harms the lungs. Measure before and after; coarser is a painter’s decision.',
  leftOut: 'What is too deep for the cut stays.',
  needs: ['power'],
  stopWhen: 'the surface is evenly dull',
  polishes: true,
});

/** Every step of preparation. A new one is an entry here and a reason in `reasons.ts`. */
const TABLE = define({
  wheels: {
    name: 'Wheels',
    pace: { by: 'piece', min: 8 },
    uses: [{ what: 'wheel cleaner', unit: 'ml', per: 60 }],
    clearUm: [0, 0],
    caution: 'Cold wheels only: hot metal dries the cleaner on. Acid cleaners never on bare or cracked lacquer.',
    leftOut: 'Brake dust is dragged on to the paint with the next cloth.',
    needs: WASHED_IN,
  },
  'pre-wash': {
    name: 'Pre-wash foam',
    pace: { by: 'area', min: 1 },
    uses: [{ what: 'pre-wash', unit: 'ml', per: 40 }],
    clearUm: [0, 0],
    caution: 'Never let it dry on; out of the sun. Gloves and goggles.',
    leftOut: 'Grit is still on it when the mitt comes: new swirls.',
    dwellMin: 5,
    needs: WASHED_IN,
  },
  wash: {
    name: 'Two-bucket wash',
    pace: { by: 'area', min: 1.5 },
    uses: [{ what: 'shampoo', unit: 'ml', per: 3 }],
    clearUm: [0, 0],
    caution: 'Rinse the mitt after every panel; the dirtiest last.',
    leftOut: 'Nothing after it means anything on dirty paint.',
    needs: WASHED_IN,
  },
  rinseless: {
    name: 'Rinseless wash',
    pace: { by: 'area', min: 2.5 },
    uses: [
      { what: 'rinseless concentrate', unit: 'ml', per: 4 },
      { what: 'towels', unit: '', per: 0.5 },
    ],
    clearUm: [0, 0],
    caution: 'Soak first, a fresh towel face every panel, no pressure. Not over caked grit.',
    leftOut: 'Nothing after it means anything on dirty paint.',
  },
  tar: {
    name: 'Tar remover',
    pace: { by: 'area', min: 1 },
    uses: [{ what: 'tar remover', unit: 'ml', per: 20 }],
    clearUm: [0, 0],
    caution: 'Solvent: gloves, fresh air, no flame; keep it off rubber, acrylic and fresh paint.',
    leftOut: 'Tar smears into clay and pad.',
    dwellMin: 2,
    needs: WASHED_IN,
  },
  iron: {
    name: 'Iron remover',
    pace: { by: 'area', min: 1.5 },
    uses: [{ what: 'iron remover', unit: 'ml', per: 30 }],
    clearUm: [0, 0],
    caution: 'Never let it dry; panel by panel in the sun. Gloves, fresh air; not on hot or bare metal.',
    leftOut: 'Iron goes on rusting under whatever is laid.',
    dwellMin: 4,
    needs: WASHED_IN,
  },
  clay: {
    name: 'Clay',
    pace: { by: 'area', min: 4 },
    uses: [
      { what: 'clay', unit: 'g', per: 5 },
      { what: 'clay lubricant', unit: 'ml', per: 25 },
    ],
    clearUm: [0, 0.2],
    caution: 'Plenty of lubricant, no pressure; dropped clay is thrown away.',
    leftOut: 'What is bonded to the paint is sealed in, and felt for years.',
  },
  dry: {
    name: 'Blow dry',
    pace: { by: 'area', min: 1.5 },
    uses: [{ what: 'drying towels', unit: '', per: 0.15 }],
    clearUm: [0, 0],
    caution: 'Ear protection with a blower. Water hides behind mirrors, lamps, badges, trims and handles.',
    leftOut: 'Drips come out of the gaps on to what has just been laid.',
    needs: ['power'],
  },
  'strip-found': {
    name: 'Take off what is on it',
    pace: { by: 'area', min: 5 },
    uses: [],
    clearUm: [0, 0],
    caution:
      'Mildest first, tested with water before the next. Gloves, goggles, fresh air, no flame; alkaline and acid never together; film at 60 °C at most. The safety sheets decide.',
    leftOut: 'Nothing bonds over it: what is laid lets go with it.',
  },
  tape: {
    name: 'Taping',
    pace: { by: 'edge', min: 0.25 },
    uses: [{ what: 'masking tape', unit: 'm', per: 1.1 }],
    clearUm: [0, 0],
    caution: 'Low tack on fresh paint and film; off again before the day is over.',
    leftOut: 'Edges burn through first, and polish goes white in trim.',
  },
  'run-level': {
    name: 'Runs levelled',
    pace: { by: 'piece', min: 8 },
    uses: [{ what: 'sanding discs', unit: '', per: 0.5 }],
    clearUm: [0, 0],
    caution:
      'On the run only, on a hard block, wet; dust mask where it is done dry. A soft run tears: leave it to the painter.',
    leftOut: 'The run stays, and every lamp finds it.',
    polishes: true,
  },
  'sanding-p3000': sanding('P3000', 10, [2, 4]),
  'sanding-p2000': sanding('P2000', 12, [4, 7]),
  cutting: {
    name: 'Cutting',
    pace: { by: 'area', min: 18 },
    uses: [
      { what: 'cutting compound', unit: 'ml', per: 7 },
      { what: 'cutting pads', unit: '', per: 0.4, as: 'pad' },
      { what: 'polishing towels', unit: '', per: 1 / 3 },
    ],
    clearUm: [2, 4],
    caution:
      'Eyes and ears protected. Feel the panel: too hot for the hand is too hot for the paint. Off edges and creases.',
    leftOut: 'Deep marks stay.',
    needs: ['power'],
    stopWhen: 'the reflection read through the residue shows no more marks',
    polishes: true,
  },
  refining: {
    name: 'Refining',
    pace: { by: 'area', min: 7 },
    uses: [
      { what: 'refining polish', unit: 'ml', per: 5 },
      { what: 'polishing pads', unit: '', per: 0.2, as: 'pad' },
      { what: 'polishing towels', unit: '', per: 1 / 3 },
    ],
    clearUm: [0.5, 1],
    caution: 'A clean pad for it alone; off edges and creases.',
    leftOut: 'The haze of the cutting stays, and a coating locks it in.',
    needs: ['power'],
    stopWhen: 'the haze of the cutting is gone from the reflection',
    polishes: true,
  },
  'single-stage': {
    name: 'Single-stage polish',
    pace: { by: 'area', min: 9 },
    uses: [
      { what: 'one-step polish', unit: 'ml', per: 6 },
      { what: 'polishing pads', unit: '', per: 0.3, as: 'pad' },
      { what: 'polishing towels', unit: '', per: 1 / 3 },
    ],
    clearUm: [1, 2],
    caution: 'Eyes and ears protected; off edges and creases.',
    leftOut: 'Fine marks stay, and show through whatever is laid.',
    needs: ['power'],
    stopWhen: 'the residue has gone clear',
    polishes: true,
  },
  finishing: {
    name: 'Finishing polish',
    pace: { by: 'area', min: 5 },
    uses: [
      { what: 'finishing polish', unit: 'ml', per: 5 },
      { what: 'finishing pads', unit: '', per: 0.2, as: 'pad' },
      { what: 'polishing towels', unit: '', per: 1 / 3 },
    ],
    clearUm: [0.5, 1],
    caution: 'Softest pad, low speed; off edges and creases.',
    leftOut: 'The gloss stays where it is.',
    needs: ['power'],
    stopWhen: 'the reflection is sharp under the spot lamp',
    polishes: true,
  },
  'glass-polish': {
    name: 'Glass polish',
    pace: { by: 'area', min: 3 },
    uses: [{ what: 'glass polish', unit: 'ml', per: 10 }],
    clearUm: [0, 0],
    caution: 'Never on acrylic, tint film, heating wires or a cracked screen.',
    leftOut: 'A glass coating lies on grease and old repellent, and wears off in weeks.',
  },
  'trim-restore': {
    name: 'Trim stripped and restored',
    pace: { by: 'area', min: 6 },
    uses: [{ what: 'trim cleaner', unit: 'ml', per: 15 }],
    clearUm: [0, 0],
    caution: 'Gloves; keep it off the paint beside it.',
    leftOut: 'Faded trim stays patchy under its coating.',
  },
  'chip-clean': {
    name: 'Chips cleaned to sound base',
    pace: { by: 'piece', min: 3 },
    uses: [{ what: 'panel wipe', unit: 'ml', per: 1 }],
    clearUm: [0, 0],
    caution: 'Away from the hand with the blade; a rust converter by its safety sheet, gloves and glasses.',
    leftOut: 'Rust goes on under the fill and lifts it off again.',
  },
  'chip-fill': {
    name: 'Chips filled, one coat',
    pace: { by: 'piece', min: 1.5 },
    uses: [{ what: 'touch-up paint', unit: 'ml', per: 0.1 }],
    clearUm: [0, 0],
    caution: 'Thin coats, each dry before the next; matched paint stays visible from close by. Fresh air.',
    leftOut: 'Rust goes on from the chip under the coating.',
    driesMin: 45,
    needs: ['above-freezing'],
  },
  'chip-level': {
    name: 'Chips levelled wet and polished',
    pace: { by: 'piece', min: 4 },
    uses: [{ what: 'sanding discs', unit: '', per: 0.25 }],
    clearUm: [0, 0],
    caution: 'On the fill only, never on the paint beside it; by hand.',
    leftOut: 'The fill stands proud and is caught by every cloth.',
    curesMin: 720,
    polishes: true,
  },
  'filling-polish': {
    name: 'Filling polish',
    pace: { by: 'area', min: 5 },
    uses: [
      { what: 'filling polish', unit: 'ml', per: 5 },
      { what: 'finishing pads', unit: '', per: 0.2, as: 'pad' },
    ],
    clearUm: [0, 0.5],
    caution: 'It hides and does not remove: what it filled comes back when the filler goes. Said to the owner before.',
    leftOut: 'The marks stay in sight.',
    needs: ['power'],
    stopWhen: 'the residue has gone clear',
    polishes: true,
  },
  'look-again': {
    name: 'Blown off and looked over again',
    pace: { by: 'area', min: 1.5 },
    uses: [{ what: 'panel wipe', unit: 'ml', per: 4 }],
    clearUm: [0, 0],
    caution: 'Fresh light, after a wipe: oil flatters. Pillars and recesses are what gets forgotten.',
    leftOut: 'What the cutting missed is found when the pads are washed and put away.',
  },
  inspection: {
    name: 'Inspection under the lamp',
    pace: { by: 'area', min: 1.5 },
    uses: [],
    clearUm: [0, 0],
    caution: 'Two lights, one from the side; look, do not touch.',
    leftOut: 'What is left is found by the owner, in the sun.',
  },
  'prep-wash': {
    name: 'Prep wash',
    pace: { by: 'area', min: 1.5 },
    uses: [{ what: 'prep shampoo', unit: 'ml', per: 8 }],
    clearUm: [0, 0],
    caution: 'No wax, no silicone in it; rinse well.',
    leftOut: 'Polishing oil and dust stay in the gaps and come out under the towel.',
    needs: WASHED_IN,
  },
  'panel-wipe': {
    name: 'Panel wipe',
    pace: { by: 'area', min: 1.5 },
    uses: [
      { what: 'panel wipe', unit: 'ml', per: 12 },
      { what: 'wipe cloths', unit: '', per: 0.4 },
    ],
    clearUm: [0, 0],
    caution:
      'Flammable vapour: no heater or spark near, move air, gloves. On the cloth where the finish is delicate; never over a priming polish.',
    leftOut: 'Oil between paint and coating: it does not bond there.',
    needs: ['above-freezing'],
  },
});

export type StepKindId = keyof typeof TABLE;
export const STEP_KINDS: Readonly<Record<StepKindId, StepKind>> = TABLE;
export const STEP_KIND_IDS = Object.keys(TABLE) as [StepKindId, ...StepKindId[]];

/** Whether a step takes from the finish by abrasion; a matte finish never receives one, by any way round. */
export const isPolishing = (kind: StepKindId): boolean => STEP_KINDS[kind].polishes === true;

/** Satin is never polished: whether a surface can be at all, having a coat to take from and no matte or satin finish. */
export const takesPolish = (substrate: SubstrateId): boolean => {
  const { polishable, matte } = SUBSTRATES[substrate];
  return polishable === true && matte !== true;
};
