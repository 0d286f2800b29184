import type { FamilyId } from '#core/products/families';
import type { Product } from '#core/products/sheets';
import { KEEP_WET_SHARE_OF_CUE } from '#core/item/substrates';
import { MINUTES_PER_DAY, MINUTES_PER_HOUR } from '#core/measures';

/** Where good people disagree about laying: each a setting, with what it changes in figures. */
export interface LayingSchools {
  readonly amount: 'plentiful' | 'moderate' | 'barely';
  readonly pattern: 'cross' | 'straight' | 'circles' | 'one-pass';
  readonly wipe: 'by-sheet' | 'cue' | 'at-once';
  readonly waxOff: 'hazed' | 'wet';
  readonly stroke: 'light-firm' | 'slow' | 'long-fast';
  readonly section: 'as-fits' | 'half-arm';
  readonly neighbours: 'prop-open' | 'overlap';
  readonly towels: 'three-roles' | 'two-turned' | 'one-two-faced';
  readonly windscreen: 'never' | 'test' | 'like-glass';
  readonly satinGloss: 'never' | 'test';
  readonly handover: 'minimum' | 'overnight' | 'two-days';
  readonly firstWash: 'by-family' | 'few-days' | 'week' | 'two-weeks';
  readonly makersDays: 'by-air' | 'exact';
  readonly film: 'kit' | 'bulk';
}

export const USUAL_LAYING_SCHOOLS: LayingSchools = {
  amount: 'moderate',
  pattern: 'cross',
  wipe: 'by-sheet',
  waxOff: 'hazed',
  stroke: 'light-firm',
  section: 'as-fits',
  neighbours: 'prop-open',
  towels: 'three-roles',
  windscreen: 'test',
  satinGloss: 'test',
  handover: 'minimum',
  firstWash: 'by-family',
  makersDays: 'by-air',
  film: 'kit',
};

/** What a school does to what a sheet says; what is absent stays. Engineering defaults of the trade. */
interface Changes {
  readonly usage?: number;
  readonly lay?: number;
  readonly level?: number;
}

interface School {
  readonly name: string;
  readonly changes: string;
  readonly figures?: Changes;
}

type Choices = { readonly [K in keyof LayingSchools]: Readonly<Record<LayingSchools[K], School>> };

/** What each school is called and what choosing it changes. */
export const LAYING_SCHOOLS: Choices = {
  amount: {
    plentiful: {
      name: 'Plentiful',
      changes: 'Three tenths more product; levelled a tenth slower.',
      figures: { usage: 1.3, level: 0.9 },
    },
    moderate: { name: 'Moderate', changes: 'As the sheet has it.' },
    barely: {
      name: 'Barely any',
      changes: 'A quarter less product; laid a tenth slower, since it has to be worked out.',
      figures: { usage: 0.75, lay: 0.9 },
    },
  },
  pattern: {
    cross: { name: 'Straight, then across', changes: 'The pace of the person as it is known.' },
    straight: {
      name: 'Straight only',
      changes: 'Laid a quarter faster; what one pass missed is bare.',
      figures: { lay: 1.25 },
    },
    circles: {
      name: 'Circles',
      changes: 'A tenth slower, a tenth more product; uneven under the lamp.',
      figures: { lay: 0.9, usage: 1.1 },
    },
    'one-pass': {
      name: 'One pass without overlap',
      changes: 'Laid half as fast again, a tenth less product; seams show where it is not even.',
      figures: { lay: 1.5, usage: 0.9 },
    },
  },
  wipe: {
    'by-sheet': { name: 'By the sheet’s times', changes: 'Between the two times of the sheet, in the air of the day.' },
    cue: { name: 'When the cue is seen', changes: 'Never before the cue, whatever the sheet’s first time is.' },
    'at-once': { name: 'At once, while wet', changes: 'From the start, up to four fifths of the time to the cue.' },
  },
  waxOff: {
    hazed: { name: 'Wax off when hazed', changes: 'As the sheet has it.' },
    wet: { name: 'Wax off still wet', changes: 'From the start, up to four fifths of the time to the haze.' },
  },
  stroke: {
    'light-firm': { name: 'Light first, firm second', changes: 'The pace of the person as it is known.' },
    slow: { name: 'Slow, for what is sticky', changes: 'Levelled a fifth slower.', figures: { level: 0.8 } },
    'long-fast': {
      name: 'Long and fast',
      changes: 'Levelled a seventh faster; look along it twice.',
      figures: { level: 1.15 },
    },
  },
  section: {
    'as-fits': { name: 'As large as the window lets', changes: 'Up to one panel at a time.' },
    'half-arm': {
      name: 'Half an arm’s reach',
      changes: 'No section larger than 0.35 m²: more seams, more towels, surer.',
    },
  },
  neighbours: {
    'prop-open': { name: 'Prop open, touch nothing', changes: 'As the sheet has it.' },
    overlap: {
      name: 'Overlap and level both',
      changes: 'A twentieth more product and a twentieth slower levelling.',
      figures: { usage: 1.05, level: 0.95 },
    },
  },
  towels: {
    'three-roles': { name: 'Three roles', changes: 'Three towels for 4 m² a coat: bulk, refining, check.' },
    'two-turned': {
      name: 'Two, face turned',
      changes: 'Two towels for 4 m² a coat; the face is turned in the middle.',
    },
    'one-two-faced': {
      name: 'One two-faced towel',
      changes: 'One towel for 4 m² a coat: short pile first, long pile last.',
    },
  },
  windscreen: {
    never: { name: 'Never, unless made for wipers', changes: 'Refused on a windscreen.' },
    test: { name: 'After a test', changes: 'A hidden test spot first.' },
    'like-glass': { name: 'Like any glass', changes: 'Laid like other glass; the wipers may chatter.' },
  },
  satinGloss: {
    never: { name: 'Never a gloss enhancer on satin', changes: 'Refused on matte and satin.' },
    test: { name: 'After a hidden test', changes: 'A hidden test spot and the owner’s word.' },
  },
  handover: {
    minimum: { name: 'The maker’s minimum', changes: 'As soon as the sheet lets it go.' },
    overnight: { name: 'Always overnight', changes: 'Not before eight the morning after the last coat.' },
    'two-days': { name: 'Two days indoors', changes: 'Not before 48 hours after the last coat.' },
  },
  firstWash: {
    'by-family': { name: 'As usual for the family', changes: 'Sheet first, else the family’s days.' },
    'few-days': { name: 'A few days', changes: 'Three days after it may go, the sheet’s own time at least.' },
    week: { name: 'A week', changes: 'Seven days after it may go, the sheet’s own time at least.' },
    'two-weeks': { name: 'Two weeks', changes: 'Fourteen days after it may go, the sheet’s own time at least.' },
  },
  makersDays: {
    'by-air': {
      name: 'In the air it cures in',
      changes: 'First wash and full hardness come later in the cold, sooner in the warm.',
    },
    exact: {
      name: 'Exactly as on the sheet',
      changes:
        'As many days after the last coat as the sheet says, whatever the air. In the cold it may still be soft then.',
    },
  },
  film: {
    kit: { name: 'Pre-cut kit', changes: 'Cut to the panel and its wrapped edges: no knife near the paint.' },
    bulk: {
      name: 'Bulk, trimmed on it',
      changes: '25 mm of room all round each blank: more film, a knife on the panel.',
    },
  },
};

/** Largest section of the school that stays within half an arm's reach, m². */
export const HALF_ARM_M2 = 0.35;

/** Roles a towel of the school is counted in. */
export const TOWELS_OF: Readonly<Record<LayingSchools['towels'], readonly string[]>> = {
  'three-roles': ['bulk', 'refining', 'check'],
  'two-turned': ['bulk, then turned', 'check'],
  'one-two-faced': ['two-faced'],
};

const WAXES: readonly FamilyId[] = ['cleaner-wax', 'paste-wax', 'liquid-wax'];

/** A sheet as a workshop of some schools works by it: amounts, paces as learned, windows; what it refuses by its own rule. */
export function bySchools(product: Product, schools: LayingSchools): Product {
  const figures = [
    LAYING_SCHOOLS.amount[schools.amount],
    LAYING_SCHOOLS.pattern[schools.pattern],
    LAYING_SCHOOLS.stroke[schools.stroke],
    LAYING_SCHOOLS.neighbours[schools.neighbours],
  ].map((school: School) => school.figures ?? {});
  const times = (key: keyof Changes) => figures.reduce((factor, each) => factor * (each[key] ?? 1), 1);
  const poured = product.family !== 'film';
  return {
    ...product,
    ...(poured && {
      usageFactor: product.usageFactor * times('usage'),
      layPace: product.layPace * (product.layFactor ?? 1) * times('lay'),
      levelPace: product.levelPace * (product.levelFactor ?? 1) * times('level'),
    }),
    milestones: wiped(product, schools),
    shop: { windscreen: schools.windscreen, satinGloss: schools.satinGloss },
  };
}

/** When it is wiped: by the sheet, not before its cue, or wet. What has no cue is wiped by its sheet. */
function wiped({ milestones, family }: Product, { wipe, waxOff }: LayingSchools): Product['milestones'] {
  const cue = milestones.find(({ name }) => name === 'cue');
  if (!cue) return milestones;
  const wet = WAXES.includes(family) ? waxOff === 'wet' : wipe === 'at-once';
  if (wet) {
    const rest = milestones.filter(({ name }) => name !== 'levelFrom' && name !== 'levelBy');
    return [...rest, { ...cue, name: 'levelBy', min: cue.min * KEEP_WET_SHARE_OF_CUE }];
  }
  if (wipe !== 'cue' || WAXES.includes(family)) return milestones;
  const from = milestones.find(({ name }) => name === 'levelFrom');
  const by = milestones.find(({ name }) => name === 'levelBy');
  // A cue on another clock, or after the sheet has it levelled, is no moment to wait for.
  const usable = (!from || from.clock === cue.clock) && (!by || (by.clock === cue.clock && cue.min < by.min));
  if (!usable || (from && from.min >= cue.min)) return milestones;
  return [...milestones.filter(({ name }) => name !== 'levelFrom'), { ...cue, name: 'levelFrom' }];
}

/** Hour of the morning before which a workshop of the school lets nothing go. */
const MORNING_H = 8;
const TWO_DAYS_MIN = 2 * MINUTES_PER_DAY;

/**
 * When a job is handed over: the makers' minimum, or the workshop's own margin where that is later.
 * @param minimumMin by the sheets; null: never
 * @param lastEndMin when the last coat was done, all on one scale
 * @param startMinuteOfDay local minutes since midnight at the scale's zero
 */
export function handedOverMin(
  minimumMin: number | null,
  lastEndMin: number,
  school: LayingSchools['handover'],
  startMinuteOfDay: number,
): number | null {
  if (minimumMin === null || school === 'minimum') return minimumMin;
  if (school === 'two-days') return Math.max(minimumMin, lastEndMin + TWO_DAYS_MIN);
  const nextDay = Math.floor((startMinuteOfDay + lastEndMin) / MINUTES_PER_DAY) + 1;
  return Math.max(minimumMin, nextDay * MINUTES_PER_DAY + MORNING_H * MINUTES_PER_HOUR - startMinuteOfDay);
}

/** Days of the school from when it may go to its first wash; undefined: the family's own. */
export const FIRST_WASH_DAYS: Readonly<Record<LayingSchools['firstWash'], number | undefined>> = {
  'by-family': undefined,
  'few-days': 3,
  week: 7,
  'two-weeks': 14,
};
