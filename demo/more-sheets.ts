import { FAMILIES, type FamilyId } from '#core/products/families';
import { type ProductSheetInput, usualSheet } from '#formats/shelf';

/** What a sheet says that differs from what is usual for its family. */
type Said = Partial<ProductSheetInput> & { readonly id: string; readonly name: string };

const made = (family: FamilyId, said: Said): ProductSheetInput => ({
  ...usualSheet(family),
  vocGPerL: FAMILIES[family].usualVocGPerL,
  sheetVersion: '1',
  sheetDate: '2026-05-01',
  ...said,
});
const use = (answer: 'yes' | 'test' | 'no', why: string, ...ids: readonly string[]) =>
  Object.fromEntries(ids.map((id) => [id, answer === 'yes' ? { use: answer } : { use: answer, why }]));

const SOLVENT = ['Flammable solvent vapour: no flame or heater near, keep air moving.'];
const REACTIVE = ['Reactive resin, can sensitise skin and lungs: nitrile gloves, glasses, organic-vapour mask.'];
const MILD = ['Slightly irritant: gloves.'];

/** The rest of the yard's shelf: every family is there, so that every rule has something to bite on. */
export const MORE_SHEETS: readonly ProductSheetInput[] = [
  made('cleaner-wax', { id: 'swab', name: 'Swab Cleaner Wax', packs: [{ size: 500, price: 1300 }], hazards: MILD }),
  made('paste-wax', {
    id: 'figurehead',
    name: 'Figurehead Show Wax',
    packs: [{ size: 150, price: 8800 }],
    ratedMonths: 2,
    meltsAtC: 64,
    hazards: SOLVENT,
  }),
  made('paste-wax', {
    id: 'stay-sail',
    name: 'Staysail Blend',
    packs: [{ size: 200, price: 4600 }],
    ratedMonths: 6,
    meltsAtC: 82,
    hazards: SOLVENT,
  }),
  made('liquid-wax', {
    id: 'ebb',
    name: 'Ebb Liquid Wax',
    packs: [{ size: 500, price: 2200 }],
    meltsAtC: 72,
    hazards: SOLVENT,
  }),
  made('liquid-wax', {
    id: 'hull-shine',
    name: 'Hullshine Marine Wax',
    coveragePerM2: 14,
    packs: [{ size: 1000, price: 3900 }],
    ratedMonths: 5,
    meltsAtC: 78,
    substrates: use('yes', '', 'gelcoat', 'clear-gloss', 'chrome', 'wood'),
    hazards: SOLVENT,
  }),
  made('sealant', {
    id: 'fender',
    name: 'Fender Sealant',
    comesOffBy: ['strip-wash'],
    packs: [{ size: 500, price: 2900 }],
    ratedMonths: 4,
    hazards: MILD,
  }),
  made('sealant', {
    id: 'gull-wing',
    name: 'Gullwing Aviation Sealant',
    packs: [{ size: 500, price: 6200 }],
    ratedMonths: 8,
    properties: ['aviation-approved'],
    substrates: { ...use('yes', '', 'aircraft-paint', 'bare-metal', 'clear-gloss', 'acrylic-window') },
    hazards: MILD,
  }),
  made('sealant', {
    id: 'still-pool',
    name: 'Still Pool Satin Sealant',
    packs: [{ size: 250, price: 3100 }],
    ratedMonths: 6,
    substrates: use('yes', '', 'clear-matte', 'film-matte', 'vinyl', 'clear-gloss'),
    hazards: MILD,
  }),
  made('spray-coating', {
    id: 'drizzle',
    name: 'Drizzle Quick Coat',
    coveragePerM2: 15,
    packs: [{ size: 500, price: 3400 }],
    ratedMonths: 9,
    hazards: MILD,
  }),
  made('spray-coating', {
    id: 'lee-shore',
    name: 'Leeshore Spray Ceramic',
    packs: [{ size: 250, price: 5600 }],
    ratedMonths: 24,
    substrates: {
      ...usualSheet('spray-coating').substrates,
      ...use('test', 'adds some depth to satin', 'clear-matte', 'film-matte'),
      ...use('test', 'wipers may chatter', 'windscreen'),
    },
    properties: ['not-for-wipers'],
    hazards: REACTIVE,
  }),
  made('ceramic-primer', { id: 'caulk', name: 'Caulk Priming Polish', method: 'machine', hazards: MILD }),
  made('ceramic-base', {
    id: 'bedrock-base',
    name: 'Bedrock Base',
    packs: [
      { size: 30, price: 6900 },
      { size: 50, price: 10400 },
    ],
    ratedMonths: 60,
    properties: ['strong-solvent'],
    hazards: REACTIVE,
  }),
  made('ceramic-top', {
    id: 'bedrock-top',
    name: 'Bedrock Top',
    packs: [
      { size: 30, price: 7200 },
      { size: 50, price: 10900 },
    ],
    over: ['bedrock-base'],
    ratedMonths: 72,
    properties: ['gloss-enhancer'],
    hazards: REACTIVE,
  }),
  made('ceramic', {
    id: 'mainstay',
    name: 'Mainstay One',
    packs: [
      { size: 30, price: 3600 },
      { size: 50, price: 5200 },
    ],
    ratedMonths: 24,
    hazards: REACTIVE,
  }),
  made('ceramic', {
    id: 'long-watch',
    name: 'Longwatch',
    coveragePerM2: 5,
    packs: [{ size: 50, price: 11800 }],
    ratedMonths: 72,
    properties: ['gloss-enhancer'],
    hazards: REACTIVE,
  }),
  made('ceramic', {
    id: 'plain-hull',
    name: 'Plainhull Hard',
    packs: [{ size: 50, price: 7400 }],
    ratedMonths: 48,
    substrates: {
      ...usualSheet('ceramic').substrates,
      ...use('yes', '', 'clear-matte', 'film-matte', 'carbon', 'bare-metal'),
    },
    hazards: REACTIVE,
  }),
  made('ceramic', {
    id: 'all-hands',
    name: 'Allhands Multi',
    packs: [{ size: 50, price: 6100 }],
    ratedMonths: 30,
    substrates: {
      ...usualSheet('ceramic').substrates,
      ...use('yes', '', 'glass', 'textured-plastic', 'vinyl', 'plate', 'rubber', 'bare-metal'),
      ...use('test', 'try a wiper stroke', 'windscreen'),
    },
    hazards: REACTIVE,
  }),
  made('ceramic', {
    id: 'deck-hand',
    name: 'Deckhand Marine Coating',
    coveragePerM2: 5,
    packs: [
      { size: 100, price: 9200 },
      { size: 250, price: 19800 },
    ],
    ratedMonths: 30,
    substrates: use('yes', '', 'gelcoat', 'clear-gloss', 'carbon', 'chrome', 'wood'),
    hazards: REACTIVE,
  }),
  made('ceramic', {
    id: 'updraught',
    name: 'Updraught Aviation Coating',
    packs: [
      { size: 100, price: 11800 },
      { size: 250, price: 24900 },
    ],
    ratedMonths: 24,
    properties: ['aviation-approved'],
    substrates: use('yes', '', 'aircraft-paint', 'bare-metal'),
    hazards: REACTIVE,
  }),
  made('glass-coating', {
    id: 'fore-sight',
    name: 'Foresight Windscreen',
    packs: [{ size: 30, price: 3600 }],
    ratedMonths: 24,
    hazards: SOLVENT,
  }),
  made('glass-coating', {
    id: 'port-light',
    name: 'Portlight Side Glass',
    packs: [{ size: 50, price: 2600 }],
    ratedMonths: 18,
    substrates: { ...use('yes', '', 'glass', 'acrylic-window'), ...use('no', 'not made for wipers', 'windscreen') },
    properties: ['not-for-wipers'],
    hazards: MILD,
  }),
  made('wheel-coating', {
    id: 'hot-rim',
    name: 'Hotrim',
    packs: [{ size: 50, price: 7600 }],
    ratedMonths: 36,
    hazards: REACTIVE,
  }),
  made('trim-coating', {
    id: 'black-rope',
    name: 'Blackrope Trim Dye',
    packs: [{ size: 50, price: 3300 }],
    ratedMonths: 12,
    hazards: SOLVENT,
  }),
  made('vinyl-coating', { id: 'pennant', name: 'Pennant Vinyl', ratedMonths: 20, hazards: MILD }),
  made('fabric-guard', { id: 'dry-berth', name: 'Dry Berth Fabric Guard', hazards: MILD }),
  made('fabric-guard', {
    id: 'saddle-soap',
    name: 'Saddle Leather Guard',
    coveragePerM2: 25,
    packs: [{ size: 150, price: 2900 }],
    substrates: use('yes', '', 'leather', 'interior-plastic'),
    hazards: MILD,
  }),
  made('topper', {
    id: 'spindrift',
    name: 'Spindrift Topper',
    ratedMonths: 3,
    comesOffBy: ['strip-wash'],
    hazards: MILD,
  }),
  made('topper', {
    id: 'white-caps',
    name: 'Whitecaps Booster',
    packs: [{ size: 500, price: 4100 }],
    ratedMonths: 6,
    properties: ['gloss-enhancer'],
    hazards: MILD,
  }),
  made('film', {
    id: 'satin-sail',
    name: 'Satinsail Matte Film',
    packs: [{ size: 7.6, price: 46000 }],
    substrates: {
      ...use('yes', '', 'clear-gloss', 'gloss-black'),
      ...use('test', 'the weave may show', 'clear-matte'),
    },
    ratedMonths: 84,
    film: {
      thicknessUm: 190,
      finish: 'matte',
      rollWidthsMm: [1524],
      stretchPct: 40,
      adhesive: 'acrylic, pressure sensitive',
      maxSurfaceC: 60,
    },
    hazards: ['Blades near skin and paint. Heat at the surface no more than 60 °C.'],
  }),
  made('dressing', { id: 'tar-barrel', name: 'Tarbarrel Dressing', hazards: MILD }),
];
