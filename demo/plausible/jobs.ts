import type { PlausibleFigures, PlausibleItem } from './figures';

type Range = readonly [from: number, to: number];

/** A job whose figures a practitioner would know beforehand, with what the trade expects of it and why. */
export interface PlausibleJob {
  readonly item: PlausibleItem;
  readonly offer: string;
  readonly expects: Readonly<Record<Exclude<keyof PlausibleFigures, 'areaM2' | 'product' | 'lifeMonths'>, Range>> & {
    readonly lifeMonths: Range;
  };
  readonly why: string;
}

const HATCHBACK: PlausibleItem = {
  name: 'Small hatchback',
  template: 'hatchback',
  size: { lengthMm: 3880, widthMm: 1690, heightMm: 1450, wheelbaseMm: 2460 },
};
const VAN: PlausibleItem = {
  name: 'Long high van',
  template: 'high-van',
  size: { lengthMm: 5900, widthMm: 2040, heightMm: 2560, wheelbaseMm: 3600 },
};
const MOTORCYCLE: PlausibleItem = {
  name: 'Satin motorcycle',
  template: 'motorcycle',
  size: { lengthMm: 2200, widthMm: 890, heightMm: 1420 },
  madeOf: ({ substrate }) => (substrate === 'clear-gloss' ? 'clear-matte' : substrate),
};
const LAUNCH: PlausibleItem = {
  name: 'Launch, 6.4 m',
  template: 'launch',
  size: { lengthMm: 6400, widthMm: 2250, heightMm: 1250 },
};
const AEROPLANE: PlausibleItem = {
  name: 'Two-seat aeroplane',
  template: 'aeroplane',
  size: { lengthMm: 6150, heightMm: 2180, spanMm: 9700 },
};
const [GLOSS, ONE_STEP, TWO_STEP] = ['1-inner-harbour', '2-outer-harbour', '3-open-sea'] as const;

export const PLAUSIBLE_JOBS: readonly PlausibleJob[] = [
  {
    item: HATCHBACK,
    offer: GLOSS,
    expects: {
      preparationH: [4, 9],
      layingH: [1.5, 4],
      ml: [60, 140],
      price: [450, 1000],
      lifeMonths: [2, 8],
      removalH: [0.5, 4],
    },
    why: 'A long morning of washing, clay and gloss, an hour of wiping sealant; washed off again with a strip wash.',
  },
  {
    item: HATCHBACK,
    offer: ONE_STEP,
    expects: {
      preparationH: [5, 10],
      layingH: [2.5, 7],
      ml: [25, 55],
      price: [700, 1600],
      lifeMonths: [12, 36],
      removalH: [3, 18],
    },
    why: 'One day of preparation, half a day of laying, one 50 ml bottle; off again by polishing, a day or two.',
  },
  {
    item: HATCHBACK,
    offer: TWO_STEP,
    expects: {
      preparationH: [7, 16],
      layingH: [4, 12],
      ml: [25, 55],
      price: [1200, 2600],
      lifeMonths: [30, 84],
      removalH: [3, 18],
    },
    why: 'Two days of cutting and refining, a base and a top over each other the same day, a bottle of each.',
  },
  {
    item: VAN,
    offer: GLOSS,
    expects: {
      preparationH: [7, 16],
      layingH: [2.5, 7],
      ml: [150, 350],
      price: [750, 1800],
      lifeMonths: [2, 8],
      removalH: [1, 8],
    },
    why: 'More than twice the paint of a hatchback, most of it flat and quick, from steps.',
  },
  {
    item: VAN,
    offer: ONE_STEP,
    expects: {
      preparationH: [9, 20],
      layingH: [3.5, 12],
      ml: [90, 180],
      price: [1200, 2800],
      lifeMonths: [12, 36],
      removalH: [6, 45],
    },
    why: 'Two days of preparation; three bottles: thirty square metres of paint at four to five millilitres.',
  },
  {
    item: VAN,
    offer: TWO_STEP,
    expects: {
      preparationH: [16, 34],
      layingH: [6, 20],
      ml: [90, 180],
      price: [2200, 5000],
      lifeMonths: [30, 84],
      removalH: [6, 45],
    },
    why: 'A week for one, which is why work vehicles seldom get it.',
  },
  {
    item: MOTORCYCLE,
    offer: GLOSS,
    expects: {
      preparationH: [1.5, 5],
      layingH: [1, 4],
      ml: [10, 60],
      price: [250, 700],
      lifeMonths: [2, 8],
      removalH: [0.2, 3],
    },
    why: 'Three square metres, every one of them awkward; nothing on satin is polished.',
  },
  {
    item: MOTORCYCLE,
    offer: ONE_STEP,
    expects: {
      preparationH: [1.5, 5],
      layingH: [1.5, 6],
      ml: [6, 25],
      price: [350, 900],
      lifeMonths: [12, 36],
      removalH: [0.5, 6],
    },
    why: 'The same preparation, since satin takes none of it; a satin coating panel by panel, a fifth of a bottle.',
  },
  {
    item: LAUNCH,
    offer: GLOSS,
    expects: {
      preparationH: [5, 16],
      layingH: [1.5, 6],
      ml: [200, 450],
      price: [600, 1600],
      lifeMonths: [2, 8],
      removalH: [1, 8],
    },
    why: 'Gelcoat drinks: a third of a litre of sealant on thirty square metres.',
  },
  {
    item: LAUNCH,
    offer: ONE_STEP,
    expects: {
      preparationH: [7, 20],
      layingH: [1.5, 8],
      ml: [120, 300],
      price: [900, 2600],
      lifeMonths: [12, 36],
      removalH: [5, 40],
    },
    why: 'A day and a half of one-step by machine; two or three bottles of marine coating with a big mitt.',
  },
  {
    item: AEROPLANE,
    offer: GLOSS,
    expects: {
      preparationH: [6, 20],
      layingH: [3, 9],
      ml: [250, 550],
      price: [700, 2400],
      lifeMonths: [2, 10],
      removalH: [1, 10],
    },
    why: 'Forty square metres of thin paint and rivets, ports covered first; only what is approved.',
  },
  {
    item: AEROPLANE,
    offer: ONE_STEP,
    expects: {
      preparationH: [10, 24],
      layingH: [4, 14],
      ml: [130, 300],
      price: [1400, 3600],
      lifeMonths: [12, 36],
      removalH: [8, 55],
    },
    why: 'Two days and a half for one; a quarter of a litre of an approved coating, signed for by an engineer.',
  },
];
