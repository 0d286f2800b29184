import type { Offer } from '#core/choice/offers';
import { type Sizes, templateById } from '#core/item/nets';
import type { SubstrateId } from '#core/item/substrates';
import { MINUTES_PER_DAY } from '#core/measures';
import { bayAmbient } from '#core/time/air';
import { type Bay, type JobDraft, type JobInput, readJob } from '#formats/job';
import type { NewEntry } from '#formats/log';
import { type KitEntry, type ProductSheet, readProduct } from '#formats/shelf';
import { instantAfter, minuteOfDay } from '#formats/values';
import { demoKit } from './kit';
import { DEMO_OFFERS } from './offers';
import { layEndOf, playedLog } from './play';
import { DEMO_SHELF } from './shelf';
import launchTopsides from './jobs/launch-topsides.json';
import satinTourer from './jobs/satin-tourer.json';

/** One job of the sample workshop with what has been done at it. */
export interface SampleJob {
  readonly id: string;
  readonly draft: JobDraft;
  readonly log: readonly NewEntry[];
}

export interface SampleWorkshop {
  readonly bays: readonly Omit<Bay, 'version'>[];
  readonly shelf: readonly ProductSheet[];
  readonly kit: readonly KitEntry[];
  readonly offers: readonly Offer[];
  readonly jobs: readonly SampleJob[];
}

const AMBIENT_DAYS = 8;

const BAYS: readonly Omit<Bay, 'version'>[] = [
  {
    id: 'bay-1',
    name: 'Bay 1, heated',
    climate: { openC: 21, openRhPct: 48, nightC: 15, opensAtHour: 7, closesAtHour: 19, tauMin: 240 },
  },
  {
    id: 'bay-2',
    name: 'Bay 2, by the door',
    climate: { openC: 19, openRhPct: 52, nightC: 9, opensAtHour: 8, closesAtHour: 18, tauMin: 150 },
  },
  {
    id: 'slip-shed',
    name: 'Slip shed',
    climate: { openC: 16, openRhPct: 62, nightC: 6, opensAtHour: 8, closesAtHour: 17, tauMin: 90 },
  },
];

type Stacks = Readonly<Partial<Record<SubstrateId, JobInput['surfaces'][number]['layers']>>>;

/** The whole yard as it stands at `now` (an instant with its offset): jobs in every state, times around that moment. */
export function ternmouthYard(now: string): SampleWorkshop {
  return {
    bays: BAYS,
    shelf: SHELF,
    kit: demoKit(now),
    offers: DEMO_OFFERS,
    jobs: [
      tealHatchback(now),
      hatchbackLastYear(now),
      launch(now),
      tourer(now),
      shuttle(now),
      classic(now),
      twoSeater(now),
    ],
  };
}

const SHELF: readonly ProductSheet[] = DEMO_SHELF.map(readProduct);

/** Sheets of the shelf that a job's layers name. */
function sheetsFor(surfaces: JobInput['surfaces']): ProductSheet[] {
  const named = new Set(surfaces.flatMap(({ layers }) => layers.map(({ product }) => product)));
  return SHELF.filter(({ id }) => named.has(id));
}

type JobParts = Omit<JobInput, 'format' | 'products' | 'ambient'>;

function inBay(bayId: string, parts: JobParts): JobDraft {
  const { climate } = BAYS.find(({ id }) => id === bayId)!;
  const document = readJob({
    ...parts,
    format: 'glaphyra.job/1',
    products: sheetsFor(parts.surfaces),
    ambient: bayAmbient(climate, Math.floor(minuteOfDay(parts.startAt)), AMBIENT_DAYS),
  });
  return { document, bayId, airSource: 'bay' };
}

/** Surfaces of a template at an item's size, with a stack for each kind of surface and what was seen on single ones. */
function measured(
  templateId: string,
  size: Sizes,
  stacks: Stacks,
  seen: Readonly<Record<string, Seen>> = {},
): JobInput['surfaces'] {
  return templateById(templateId)!
    .unfold(size)
    .panels.map((panel) => ({
      id: panel.id,
      name: panel.name,
      substrate: panel.substrate,
      shape: { kind: 'polygon', pointsMm: panel.outlineMm.map(([x, y]): [number, number] => [x, y]) },
      curvature: panel.curvature,
      zone: panel.zone,
      measuredBy: 'template',
      layers: stacks[panel.substrate] ?? [],
      ...seen[panel.id],
    }));
}

const CERAMIC_STACKS: Stacks = {
  'clear-gloss': [{ product: 'ledger-base' }, { product: 'ledger-top' }],
  'gloss-black': [{ product: 'keelstone' }],
  'lens-plastic': [{ product: 'keelstone' }],
  'textured-plastic': [{ product: 'dockside' }],
  windscreen: [{ product: 'lantern' }],
  glass: [{ product: 'lantern' }],
  wheel: [{ product: 'bollard' }],
};

const HATCHBACK_SIZE: Sizes = { lengthMm: 3880, widthMm: 1690, heightMm: 1450, wheelbaseMm: 2460 };
const TEAL_HATCHBACK: JobInput['item'] = {
  id: 'hatchback-of-imke-varga',
  name: 'Teal hatchback',
  ownerName: 'Imke Varga',
  template: { id: 'hatchback', ...HATCHBACK_SIZE },
  access: 'Lifting points behind the front arches, in the sill seam. Air suspension: none.',
};

/** The same hatchback a year and a month ago: a sealant, gone by now. */
function hatchbackLastYear(now: string): SampleJob {
  const startAt = instantAfter(now, -396 * MINUTES_PER_DAY);
  const draft = inBay('bay-1', {
    title: 'Teal hatchback, sealant',
    startAt,
    surfaces: measured('hatchback', HATCHBACK_SIZE, { 'clear-gloss': [{ product: 'breakwater' }] }, READ_LAST_YEAR),
    owner: { parking: 'street', wash: 'brush' },
    item: TEAL_HATCHBACK,
  });
  const log = [...preparedBefore(startAt), ...playedLog(draft.document, Infinity)];
  return { id: 'teal-hatchback-sealant', draft, log };
}

/** The morning before a job's laying: washed, clayed, and one step of polish that took longer than promised. */
function preparedBefore(startAt: string): NewEntry[] {
  const stages = [
    { kind: 'wash', predictedMin: 19, tookMin: 21 },
    { kind: 'clay', predictedMin: 24, tookMin: 30 },
    { kind: 'single-stage', predictedMin: 62, tookMin: 84 },
  ] as const;
  let at = -180;
  return stages.flatMap(({ kind, predictedMin, tookMin }) => {
    const stage = { kind, round: 1 };
    const begin = at;
    at += tookMin;
    return [
      {
        id: `prep-${kind}-start`,
        at: instantAfter(startAt, begin),
        entry: { type: 'stage-start' as const, stage, predictedMin },
      },
      { id: `prep-${kind}-end`, at: instantAfter(startAt, at), entry: { type: 'stage-end' as const, stage } },
    ];
  });
}

/** In the middle of its first coat: the patch in hand has just been laid. */
function tealHatchback(now: string): SampleJob {
  const draft = (startAt: string) =>
    inBay('bay-1', {
      title: 'Teal hatchback, full coat',
      startAt,
      surfaces: measured('hatchback', HATCHBACK_SIZE, CERAMIC_STACKS, READ_ON_HATCHBACK),
      owner: { needsBy: instantAfter(now, 2 * MINUTES_PER_DAY), parking: 'street', wash: 'hand' },
      item: TEAL_HATCHBACK,
      crew: { mode: 'solo', layM2PerMin: 0.28, levelM2PerMin: 0.22 },
      room: { volumeM3: 240, airChangesPerHour: 3, limitMgPerM3: 300 },
    });
  // The nth patch has been laid a minute ago; where it falls depends on the hour the job began, so twice round.
  const nth = 12;
  let startAt = instantAfter(now, -90);
  for (let round = 0; round < 3; round++) startAt = instantAfter(now, -layEndOf(draft(startAt).document, nth) - 0.5);
  const begun = draft(startAt);
  const untilMin = layEndOf(begun.document, nth) + 0.1;
  return { id: 'teal-hatchback', draft: begun, log: playedLog(begun.document, untilMin) };
}

type Seen = Partial<JobInput['surfaces'][number]>;
type SeenMark = NonNullable<Seen['marks']>[number];

const mark = (
  id: string,
  kind: SeenMark['kind'],
  severity: SeenMark['severity'],
  at: [number, number],
  more: Partial<SeenMark> = {},
) => ({
  id,
  kind,
  severity,
  at,
  light: 'hand-light' as const,
  ...more,
});

/** What the walk-round of the hatchback found, by panel. */
const READ_ON_HATCHBACK: Readonly<Record<string, Seen>> = {
  bonnet: {
    readingsUm: [112, 118, 109, 121, 115],
    note: 'Fine swirls, two chips near the badge.',
    touch: 'rough',
    iron: 'bleeds',
    marks: [
      mark('m1', 'swirls', 'medium', [0.62, 0.3]),
      mark('m2', 'chip', 'light', [0.16, 0.44]),
      mark('m3', 'chip', 'light', [0.14, 0.58]),
      mark('m4', 'etching', 'medium', [0.72, 0.72], { note: 'Bird lime, summer.' }),
    ],
  },
  roof: { readingsUm: [104, 108, 110], marks: [mark('m5', 'etching', 'heavy', [0.4, 0.35], { outcome: 'reduced' })] },
  tailgate: { readingsUm: [116, 119, 113], marks: [mark('m6', 'holograms', 'medium', [0.45, 0.25])] },
  'front-door-left': {
    readingsUm: [118, 122, 117],
    marks: [
      mark('m7', 'swirls', 'light', [0.3, 0.4]),
      mark('m8', 'deep-scratch', 'heavy', [0.62, 0.55], { sizeMm: 90 }),
    ],
  },
  'front-door-right': {
    readingsUm: [231, 244, 238],
    paint: 'refinished',
    note: 'Repainted some years ago, owner says.',
    marks: [mark('m9', 'swirls', 'light', [0.35, 0.5]), mark('m10', 'repaint-edge', 'light', [0.05, 0.5])],
  },
  'rear-door-left': { readingsUm: [115, 113] },
  'rear-wing-left': { marks: [mark('m11', 'corrosion', 'light', [0.72, 0.2], { outcome: 'stays' })] },
  'front-wing-left': { readingsUm: [109, 112] },
  'rear-bumper': {
    marks: [mark('m12', 'deep-scratch', 'medium', [0.5, 0.8]), mark('m13', 'contamination', 'medium', [0.5, 0.2])],
  },
};

/** What was read and seen at the visit before. */
const READ_LAST_YEAR: Readonly<Record<string, Seen>> = {
  bonnet: { readingsUm: [116, 121, 113], marks: [mark('l1', 'swirls', 'heavy', [0.5, 0.4], { outcome: 'reduced' })] },
  roof: { readingsUm: [109, 112, 111] },
  'front-door-left': { readingsUm: [121, 124] },
  'front-door-right': { readingsUm: [233, 246], paint: 'refinished' },
};

/** The last afternoon, two o'clock, that lies some hours back. */
function lastAfternoon(now: string): string {
  const sinceMidnight = minuteOfDay(now);
  const today = sinceMidnight - 14 * 60;
  return instantAfter(now, -(today >= 4 * 60 ? today : today + MINUTES_PER_DAY));
}

/** Laid in the afternoon, curing in a shed that cools at night. */
function launch(now: string): SampleJob {
  const file = readJob(launchTopsides);
  const startAt = lastAfternoon(now);
  const { surfaces } = file;
  const draft = inBay('slip-shed', {
    title: 'Gelcoat launch, topsides',
    startAt,
    surfaces: surfaces
      .map((surface) => ({
        ...surface,
        layers: surface.layers.map((layer) => ({
          ...layer,
          product: 'keelstone',
          coats: 1,
          method: 'big-mitt' as const,
        })),
      }))
      .map((surface) => (surface.id === 'hatch' ? { ...surface, layers: [] } : surface)),
    crew: file.crew,
    owner: { needsBy: instantAfter(now, 2 * MINUTES_PER_DAY), parking: 'coastal', wash: 'hand' },
    item: { id: 'launch-marrow', name: 'Launch “Marrow”', ownerName: 'Pilot Office, Ternmouth' },
  });
  return { id: 'marrow-launch', draft, log: playedLog(draft.document, Infinity) };
}

/** Planned for the day after tomorrow: satin, each panel in one piece. */
function tourer(now: string): SampleJob {
  const file = readJob(satinTourer);
  const startAt = instantAfter(now, 2 * MINUTES_PER_DAY);
  const draft = inBay('bay-2', {
    title: 'Satin touring motorcycle',
    startAt,
    surfaces: file.surfaces,
    owner: { needsBy: instantAfter(startAt, MINUTES_PER_DAY), parking: 'street', wash: 'hand' },
    item: { id: 'tourer-of-jorun-abel', name: 'Satin tourer', ownerName: 'Jorun Abel' },
  });
  return { id: 'satin-tourer', draft, log: [] };
}

/** Surveyed only: nothing chosen for it yet. */
function shuttle(now: string): SampleJob {
  const startAt = instantAfter(now, 5 * MINUTES_PER_DAY);
  const rectangle = (aMm: number, bMm: number) => ({ kind: 'rectangle' as const, aMm, bMm });
  const draft = inBay('bay-2', {
    title: 'Hotel shuttle, wrapped sides',
    startAt,
    surfaces: [
      { id: 'roof', name: 'Roof', substrate: 'clear-gloss', shape: rectangle(5200, 1500), curvature: 1.03, layers: [] },
      {
        id: 'side-left',
        name: 'Side, left',
        substrate: 'vinyl',
        shape: rectangle(4100, 1050),
        curvature: 1.04,
        layers: [],
      },
      {
        id: 'side-right',
        name: 'Side, right',
        substrate: 'vinyl',
        shape: rectangle(4100, 1050),
        curvature: 1.04,
        layers: [],
        note: 'Print lifts at the rear edge: test spot first.',
      },
      {
        id: 'bonnet',
        name: 'Bonnet',
        substrate: 'clear-gloss',
        shape: { kind: 'trapezoid', aMm: 1320, bMm: 1580, hMm: 720 },
        layers: [],
      },
      { id: 'side-glass', name: 'Side glass', substrate: 'glass', shape: rectangle(1450, 620), count: 4, layers: [] },
      {
        id: 'windscreen',
        name: 'Windscreen',
        substrate: 'windscreen',
        shape: { kind: 'trapezoid', aMm: 1480, bMm: 1700, hMm: 860 },
        layers: [],
      },
      {
        id: 'rim',
        name: 'Rim',
        substrate: 'wheel',
        shape: { kind: 'ring', outerMm: 420, innerMm: 110 },
        curvature: 0.6,
        count: 4,
        layers: [],
      },
    ],
    item: { id: 'shuttle-of-breakwater-house', name: 'Hotel shuttle', ownerName: 'Breakwater House Hotel' },
  });
  return { id: 'hotel-shuttle', draft, log: [] };
}

/** Waxed in the spring and since out in all weathers: wants renewing. */
const CLASSIC_SIZE: Sizes = { lengthMm: 4060, widthMm: 1580, heightMm: 1300, wheelbaseMm: 2390 };
const READ_ON_CLASSIC: Readonly<Record<string, Seen>> = {
  bonnet: { readingsUm: [98, 104, 96] },
  'front-wing-left': { readingsUm: [102, 99] },
  'front-wing-right': { readingsUm: [101, 97] },
  'door-left': { readingsUm: [95, 100] },
  'door-right': { readingsUm: [88, 92] },
  'boot-lid': { readingsUm: [103, 108] },
};

function classic(now: string): SampleJob {
  const startAt = instantAfter(now, -75 * MINUTES_PER_DAY);
  const wax = [
    { product: 'breakwater', coats: 2 },
    { product: 'harbour-paste', method: 'machine' as const },
  ];
  const draft = inBay('bay-1', {
    title: 'Refinished classic, sealant and wax',
    startAt,
    surfaces: measured(
      'classic',
      CLASSIC_SIZE,
      { 'single-stage': wax, chrome: [{ product: 'harbour-paste' }] },
      READ_ON_CLASSIC,
    ).map((surface) =>
      surface.substrate === 'single-stage' ? { ...surface, paint: 'single-stage' as const } : surface,
    ),
    owner: { parking: 'covered', wash: 'hand' },
    item: {
      id: 'classic-of-aurel-strand',
      name: 'Two-door classic',
      ownerName: 'Aurel Strand',
      template: { id: 'classic', ...CLASSIC_SIZE },
      access: 'Hood down and folded before the rear deck is laid; no jack under the sills.',
    },
  });
  return { id: 'two-door-classic', draft, log: playedLog(draft.document, Infinity) };
}

/** Planned, and stopped: what suits a car does not suit an aeroplane. */
function twoSeater(now: string): SampleJob {
  const startAt = instantAfter(now, 8 * MINUTES_PER_DAY);
  const size = { lengthMm: 6150, heightMm: 2180, spanMm: 9700 };
  const draft = inBay('slip-shed', {
    title: 'Two-seat aeroplane, wings and cabin',
    startAt,
    surfaces: measured(
      'aeroplane',
      size,
      { 'aircraft-paint': [{ product: 'breakwater' }], 'acrylic-window': [{ product: 'lantern' }] },
      {
        'wing-upper-right': {
          paint: 'refinished',
          refinishedOn: instantAfter(now, -20 * MINUTES_PER_DAY).slice(0, 10),
          note: 'Outer half repainted: two shades.',
        },
      },
    ),
    owner: { parking: 'indoor', wash: 'hand' },
    item: {
      id: 'two-seater-of-the-flying-group',
      name: 'Two-seat aeroplane',
      ownerName: 'Ternmouth Flying Group',
      template: { id: 'aeroplane', ...size },
    },
  });
  return { id: 'two-seater', draft, log: [] };
}
