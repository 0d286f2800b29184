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
  /** Chemistry that is rinsed, or where nothing may run off is wiped off. */
  readonly orWiped?: { readonly factor: number; readonly clothsPerM2: number };
  /** Stronger than washing: not for what has to stay clear. */
  readonly strong?: true;
  /** What the site has to offer. */
  readonly needs?: readonly SiteNeed[];
  /** Slower on hard paint, and with the marks it has to move. */
  readonly polishes?: true;
}

export type SiteNeed = 'running-water' | 'drain' | 'above-freezing' | 'power';

const define = <T extends Record<string, StepKind>>(table: T) => table;

const WASHED_IN: readonly SiteNeed[] = ['running-water', 'drain', 'above-freezing'];
/** Where it cannot be rinsed it is wiped off with damp cloths: half as long again. */
const WIPED_INSTEAD: StepKind['orWiped'] = { factor: 1.5, clothsPerM2: 0.5 };

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
    caution:
      'Cold wheels only: hot metal dries the cleaner on. Acid cleaners never on bare or cracked lacquer, and never with an alkaline one. A wheel that is lifted off: stands under the item, never the jack alone.',
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
    orWiped: WIPED_INSTEAD,
    strong: true,
  },
  iron: {
    name: 'Iron remover',
    pace: { by: 'area', min: 1.5 },
    uses: [{ what: 'iron remover', unit: 'ml', per: 30 }],
    clearUm: [0, 0],
    caution: 'Never let it dry; panel by panel in the sun. Gloves, fresh air; not on hot or bare metal.',
    leftOut: 'Iron goes on rusting under whatever is laid.',
    dwellMin: 4,
    orWiped: WIPED_INSTEAD,
    strong: true,
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
    needs: ['above-freezing'],
    strong: true,
    leftOut: 'What is bonded to the paint is sealed in, and felt for years.',
  },
  dry: {
    name: 'Blow dry',
    pace: { by: 'area', min: 1.5 },
    uses: [{ what: 'drying towels', unit: '', per: 0.15 }],
    clearUm: [0, 0],
    caution:
      'Ear protection with a blower or compressed air; never at skin. Then look for drips: water hides behind mirrors, lamps, badges, trims and handles.',
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
    strong: true,
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
      'Eyes and ears protected; a mask against the dust. Hands off the machine ten minutes in the hour: vibration harms them. Too hot for the hand is too hot for the paint. Off edges and creases.',
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
    caution: 'Eyes and ears protected; hands rest from the vibration. Off edges and creases.',
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
    caution: 'Never on acrylic, tint film, heating wires or a cracked screen; mask what is satin beside it.',
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
  cover: {
    name: 'Ports covered',
    pace: { by: 'piece', min: 2 },
    uses: [{ what: 'port covers with streamers', unit: '', per: 1 }],
    clearUm: [0, 0],
    caution:
      'Counted on and counted off, with streamers that are seen; a licensed engineer says what is covered and signs that it is clear again before it flies.',
    leftOut: 'Water or polish in a static port or pitot gives wrong readings in the air.',
  },
  melt: {
    name: 'Salt and ice melted off',
    pace: { by: 'area', min: 0.8 },
    uses: [],
    clearUm: [0, 0],
    caution:
      'Lukewarm, never hot: cold glass cracks. Nothing is scraped. Run-off freezes where it lands: grit the floor.',
    leftOut: 'Salt and ice are rubbed over the paint with the first mitt.',
    driesMin: 120,
    needs: ['running-water', 'drain'],
  },
  degrease: {
    name: 'Lower half and arches degreased',
    pace: { by: 'area', min: 1 },
    uses: [{ what: 'degreaser', unit: 'ml', per: 25 }],
    clearUm: [0, 0],
    caution:
      'Alkaline: gloves and goggles; from below upwards so that it does not streak; never dry, never with an acid.',
    leftOut: 'Road film stays, and the wash drags it over the panel.',
    dwellMin: 3,
    needs: WASHED_IN,
    strong: true,
  },
  'brush-gaps': {
    name: 'Soft brush round badges and mouldings',
    pace: { by: 'edge', min: 0.15 },
    uses: [],
    clearUm: [0, 0],
    caution: 'A soft brush, wet; rinsed or wiped after. Glasses when it is overhead.',
    leftOut: 'Dirty drops run out of the gaps on to what has just been dried or laid.',
    stopWhen: 'no dark drop runs out when it is blown off',
  },
  'dry-by-towel': {
    name: 'Dried by towel',
    pace: { by: 'area', min: 1.5 },
    uses: [{ what: 'drying towels', unit: '', per: 0.4 }],
    clearUm: [0, 0],
    caution:
      'Laid on and drawn off, not rubbed; then look for drips: a towel does not reach behind mirrors, lamps and handles.',
    leftOut: 'Drips come out of the gaps on to what has just been laid.',
  },
  'peel-transit': {
    name: 'Transit film peeled',
    pace: { by: 'area', min: 3 },
    uses: [{ what: 'adhesive remover', unit: 'ml', per: 5 }],
    clearUm: [0, 0],
    caution:
      'Slowly, flat back over itself, warm at most: hot film tears and leaves its glue. Glue off with gloves and moving air.',
    leftOut: 'Nothing bonds there, and the sun bakes it on.',
    strong: true,
  },
  abrade: {
    name: 'Old coating opened',
    pace: { by: 'area', min: 3 },
    uses: [{ what: 'fine abrasive pads', unit: '', per: 0.3 }],
    clearUm: [0, 0.5],
    caution: 'Lightly, evenly, wet; off edges. Only where the sheet of what comes over it allows a coating below.',
    leftOut: 'The new coat lies on a closed skin and lets go in sheets.',
    polishes: true,
  },
  'interior-clean': {
    name: 'Interior vacuumed and cleaned',
    pace: { by: 'area', min: 4 },
    uses: [
      { what: 'interior cleaner', unit: 'ml', per: 20 },
      { what: 'towels', unit: '', per: 0.5 },
    ],
    clearUm: [0, 0],
    caution:
      'Doors open, air moved. A hidden patch for colour first; never soak what is electric, no dressing on pedals or wheel rims.',
    leftOut: 'The guard seals the dirt in, and its smell.',
    // Leather and fabric are dry through before a guard closes them.
    driesMin: 120,
  },
  'metal-polish': {
    name: 'Metal polish',
    pace: { by: 'area', min: 4 },
    uses: [{ what: 'metal polish', unit: 'ml', per: 12 }],
    clearUm: [0, 0],
    caution:
      'Finest steel wool only where the plating is sound. Cold metal; black residue stays off paint and skin: gloves.',
    leftOut: 'A coating over bloom looks grey for as long as it lasts.',
    strong: true,
  },
  'acrylic-polish': {
    name: 'Acrylic polish',
    pace: { by: 'area', min: 5 },
    uses: [{ what: 'acrylic polish', unit: 'ml', per: 12 }],
    clearUm: [0, 0],
    caution:
      'By hand or slow, cool and wet: heat crazes it. No alcohol, no ammonia; on an aircraft only what its maker names.',
    leftOut: 'Haze stays in the sight of who looks through it.',
    strong: true,
  },
  'mild-wipe': {
    name: 'Wiped without solvent',
    pace: { by: 'area', min: 1.5 },
    uses: [
      { what: 'mild cleaner', unit: 'ml', per: 15 },
      { what: 'wipe cloths', unit: '', per: 0.4 },
    ],
    clearUm: [0, 0],
    caution: 'A cleaner made for plastics or wraps, on the cloth; no alcohol, no ammonia. Never over print that lifts.',
    leftOut: 'Oil between surface and coating: it does not bond there.',
    strong: true,
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
    strong: true,
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

/** Gelcoat is softer and thicker than any clear: a cut takes 10 to 20 µm of it, five times what it takes elsewhere. */
const GELCOAT_TAKES = 5;

/** What abrasion takes from a finish, µm: from, to, where it takes so much from clear coat. */
export function fromFinish(
  [least, most]: readonly [number, number],
  substrate: SubstrateId,
): readonly [number, number] {
  return substrate === 'gelcoat' ? [GELCOAT_TAKES * least, GELCOAT_TAKES * most] : [least, most];
}

/** What a step takes from a finish, µm: from, to. */
export const takenUm = (kind: StepKindId, substrate: SubstrateId): readonly [number, number] =>
  fromFinish(STEP_KINDS[kind].clearUm, substrate);
