import { USUAL_CONDITIONS } from '#job/handover';
import { batchesOf } from '../stock';
import type { JobInput } from '#formats/job';
import type { NewEntry } from '#formats/log';
import type { Sizes } from '#core/item/nets';
import { MINUTES_PER_DAY } from '#core/measures';
import { instantAfter } from '#formats/values';
import { layEndOf, playedLog } from '../play';
import { allOver, inBay, mark, onDay, type SampleJob, type Seen, type Stacks, surveyed } from '../sample';

const CERAMIC_STACKS: Stacks = {
  'clear-gloss': [{ product: 'ledger-base' }, { product: 'ledger-top' }],
  'gloss-black': [{ product: 'keelstone' }],
  'lens-plastic': [{ product: 'keelstone' }],
  'textured-plastic': [{ product: 'dockside' }],
  windscreen: [{ product: 'lantern' }],
  glass: [{ product: 'lantern' }],
  wheel: [{ product: 'bollard' }],
};

const SIZE: Sizes = { lengthMm: 3880, widthMm: 1690, heightMm: 1450, wheelbaseMm: 2460 };
const ITEM: JobInput['item'] = {
  id: 'hatchback-of-imke-varga',
  name: 'Teal hatchback',
  ownerName: 'Imke Varga',
  template: { id: 'hatchback', ...SIZE },
  access: 'Lifting points behind the front arches, in the sill seam. Air suspension: none.',
};
const SWIRLED: Seen = { marks: [allOver('swirls', 'medium')], colour: { tone: 'dark', name: 'Deep teal' } };

/** The same hatchback a year and a month ago: a sealant, gone by now. */
export function hatchbackLastYear(now: string): SampleJob {
  const startAt = onDay(now, -396, 13);
  const draft = inBay('bay-1', {
    title: 'Teal hatchback, sealant',
    startAt,
    surfaces: surveyed({
      template: 'hatchback',
      size: SIZE,
      stacks: { 'clear-gloss': [{ product: 'breakwater' }] },
      seen: READ_LAST_YEAR,
      paint: SWIRLED,
    }),
    owner: { parking: 'street', wash: 'brush' },
    item: ITEM,
  });
  const log = [...preparedBefore(startAt), ...playedLog(draft.document, Infinity, batchesOf('breakwater-0'))];
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

/** In the middle of its first coat: the patch in hand has just been laid. It runs now, whenever that is. */
export function tealHatchback(now: string): SampleJob {
  const draft = (startAt: string) =>
    inBay('bay-1', {
      title: 'Teal hatchback, full coat',
      startAt,
      surfaces: surveyed({
        template: 'hatchback',
        size: SIZE,
        stacks: CERAMIC_STACKS,
        seen: READ_ON_HATCHBACK,
        paint: SWIRLED,
      }),
      owner: { needsBy: instantAfter(now, 2 * MINUTES_PER_DAY), parking: 'street', wash: 'hand' },
      warranty: {
        number: 'TY-27-015',
        covers: [
          { product: 'ledger-base', months: 24 },
          { product: 'ledger-top', months: 24 },
        ],
        conditions: [...USUAL_CONDITIONS],
      },
      item: ITEM,
      crew: { mode: 'solo', layM2PerMin: 0.28, levelM2PerMin: 0.22 },
      room: { volumeM3: 240, airChangesPerHour: 3, limitMgPerM3: 300 },
      prepare: {
        level: 'one-step',
        use: 'daily',
        hourRate: 5200,
        yearsPlanned: 6,
        scope: [
          {
            surface: 'rear-wing-left',
            state: 'partly',
            reason: 'rust under the edge of the arch goes on; told to the owner',
          },
        ],
      },
    });
  // The nth patch has been laid a minute ago; where it falls depends on the hour the job began, so twice round.
  const nth = 12;
  let startAt = instantAfter(now, -90);
  for (let round = 0; round < 3; round++) startAt = instantAfter(now, -layEndOf(draft(startAt).document, nth) - 0.5);
  const begun = draft(startAt);
  const untilMin = layEndOf(begun.document, nth) + 0.1;
  return { id: 'teal-hatchback', draft: begun, log: playedLog(begun.document, untilMin, batchesOf('ledger-base-1')) };
}

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
