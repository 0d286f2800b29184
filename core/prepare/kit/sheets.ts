import type { SubstrateId } from '#core/item/substrates';
import type { StepKindId } from '#core/prepare/steps';

/** What every sheet of the preparation shelf has. */
interface Named {
  readonly id: string;
  readonly name: string;
  readonly note?: string | undefined;
}

export const CLEANER_PH = ['acid', 'neutral', 'alkaline'] as const;

/** A cleaner: what it is for and not for, how long it dwells, how much of it goes on. */
export interface CleanerSheet extends Named {
  readonly kind: 'cleaner';
  readonly serves: readonly StepKindId[];
  readonly notFor: readonly SubstrateId[];
  /** Acid and alkaline never meet, and neither goes to the ground. */
  readonly ph?: (typeof CLEANER_PH)[number] | undefined;
  /** The makers of aircraft approve it. */
  readonly aviationApproved?: boolean | undefined;
  /** Minutes until it has to be rinsed; never to dry. */
  readonly dwellMin?: number | undefined;
  /** Parts of water to one of it; 0: as it comes. */
  readonly dilution: number;
  /** Ready mixed, on a m², or on a piece where the step goes by the piece. */
  readonly mlPer: number;
}

export const CLAY_GRADES = ['fine', 'medium', 'coarse'] as const;
export const CLAY_FORMS = ['bar', 'mitt', 'cloth'] as const;
export interface ClaySheet extends Named {
  readonly kind: 'clay';
  readonly grade: (typeof CLAY_GRADES)[number];
  readonly form: (typeof CLAY_FORMS)[number];
}

export const LIQUID_GRADES = ['cutting', 'one-step', 'refining', 'finishing', 'filling'] as const;
export type LiquidGrade = (typeof LIQUID_GRADES)[number];
export interface LiquidSheet extends Named {
  readonly kind: 'liquid';
  readonly grade: LiquidGrade;
  /** The makers of aircraft approve it. */
  readonly aviationApproved?: boolean | undefined;
  /** Its grains break down as they work: it is worked to the end, not topped up. */
  readonly diminishing: boolean;
  /** It fills: what it shows is not what is left, until it is wiped off. */
  readonly filling: boolean;
  readonly mlPerDot: number;
  /** Dots on a patch: the first of a fresh pad, and once the pad is loaded. */
  readonly dotsFirst: number;
  readonly dotsLoaded: number;
}

export const PAD_MATERIALS = ['wool', 'microfibre', 'cutting-foam', 'polishing-foam', 'finishing-foam'] as const;
export type PadMaterial = (typeof PAD_MATERIALS)[number];
export interface PadSheet extends Named {
  readonly kind: 'pad';
  readonly material: PadMaterial;
  readonly sizeMm: number;
  /** Hours from washed to dry. */
  readonly driesH: number;
}

export const MACHINE_ACTIONS = ['dual', 'forced', 'rotary'] as const;
export const DRIVES = ['cable', 'air', 'battery'] as const;
export interface MachineSheet extends Named {
  readonly kind: 'machine';
  readonly action: (typeof MACHINE_ACTIONS)[number];
  /** Of a rotary machine 0. */
  readonly throwMm: number;
  readonly plateMm: number;
  readonly speedFrom: number;
  readonly speedTo: number;
  readonly drive: (typeof DRIVES)[number];
  /** Work on one full battery. */
  readonly runMin?: number | undefined;
  readonly serviceEveryDays?: number | undefined;
}

export const LAMP_FORMS = ['hand', 'spot', 'overhead'] as const;
export interface LampSheet extends Named {
  readonly kind: 'lamp';
  readonly form: (typeof LAMP_FORMS)[number];
  readonly flickerFree: boolean;
}

export type KitSheet = CleanerSheet | ClaySheet | LiquidSheet | PadSheet | MachineSheet | LampSheet;

/** Which grade of liquid a polishing step is done with. */
export const GRADE_OF: Readonly<Partial<Record<StepKindId, LiquidGrade>>> = {
  cutting: 'cutting',
  'single-stage': 'one-step',
  refining: 'refining',
  finishing: 'finishing',
  'filling-polish': 'filling',
};

/** What a grade and a material are called where no sheet on the shelf has a name for them. */
export const LIQUID_WORDS: Readonly<Record<LiquidGrade, string>> = {
  cutting: 'cutting compound',
  'one-step': 'one-step polish',
  refining: 'refining polish',
  finishing: 'finishing polish',
  filling: 'filling polish',
};
export const PAD_WORDS: Readonly<Record<PadMaterial, string>> = {
  wool: 'wool',
  microfibre: 'microfibre',
  'cutting-foam': 'cutting foam',
  'polishing-foam': 'polishing foam',
  'finishing-foam': 'soft foam',
};

/** Pads that suit a grade, the usual one first. */
export const PADS_FOR: Readonly<Record<LiquidGrade, readonly PadMaterial[]>> = {
  cutting: ['microfibre', 'wool', 'cutting-foam'],
  'one-step': ['polishing-foam', 'cutting-foam'],
  refining: ['polishing-foam', 'finishing-foam'],
  finishing: ['finishing-foam'],
  filling: ['finishing-foam'],
};

/** What one pad does before it is changed and cleaned, m²; cutting loads it twice as fast. */
export const padHoldsM2 = (grade: LiquidGrade): number => (grade === 'cutting' ? 2.5 : 5);
