import type { Mark, Evidence } from '#core/survey/condition';
import type { Make } from '#core/item/make';
import type { Zone } from '#core/item/nets';
import type { Hardness, PaintSystem } from '#core/survey/paint';
import type { SubstrateId } from '#core/item/substrates';
import type { Removal } from '#core/prepare/removal';
import type { FamilyId } from '#core/products/families';
import type { CleanerSheet, Kit, Tool } from '#core/prepare/kit';
import type { StepKindId } from '#core/prepare/steps';
import type { AllowedLevel, Ledger } from './ledger';
import type { Level } from './levels';
import type { Need } from './needs';
import type { SharesSeen } from './marks-gone';
import type { MeasuredPair } from './measured';
import type { Sanding } from './grits';
import type { PrepareSchools } from './schools';
import type { Move, Site } from './site';

/** A surface as preparation sees it. */
export interface PanelCase extends Make, Pick<Evidence, 'touch' | 'iron' | 'water' | 'existing' | 'tone'> {
  readonly id: string;
  readonly substrate: SubstrateId;
  /** All its copies together. */
  readonly areaM2: number;
  readonly edgeM: number;
  readonly count: number;
  readonly curvature: number;
  readonly zone?: Zone | undefined;
  /** It lies in the lower half of the item. */
  readonly low?: boolean | undefined;
  /** It belongs to an aircraft. */
  readonly aircraft?: boolean | undefined;
  /** Minutes its fresh paint still has to breathe; 0 or less: it has. */
  readonly breathesForMin?: number | undefined;
  readonly marks: readonly Pick<Mark, 'id' | 'kind' | 'severity' | 'allOver' | 'hiddenBefore'>[];
  readonly paint: PaintSystem;
  readonly clearUm?: number | undefined;
  readonly hardness?: Hardness | undefined;
  /** What is to be laid on it, bottom first. */
  readonly toCome: readonly FamilyId[];
  /** What is found on it and is to come off first, as it was decided. */
  readonly strips?: Removal | undefined;
  /** What it needs before laying and has had already, done elsewhere. */
  readonly cameWith?: readonly Need[] | undefined;
  /** Clear that taking the protection off again costs over the planned life, µm. */
  readonly removalsUm: number;
  /** What was agreed of it, where it is not simply included. */
  readonly scope?: AgreedScope | undefined;
  /** What a test spot on it, or on like paint of the item, decided. */
  readonly measured?: MeasuredPair | undefined;
  /** Looked at, and nothing found that correction would move. Without it and without marks nobody has said anything. */
  readonly faultless?: boolean | undefined;
  /** Refinished, filled or on plastic: its total says nothing of its clear, or nothing can be read. */
  readonly unreadable?: boolean | undefined;
  /** Wanted sanded before it is cut. */
  readonly sand?: Sanding | undefined;
}

/** What is agreed of a surface that is not simply included. */
export const SCOPE_STATES = ['excluded', 'partly', 'hidden-only', 'unpaid'] as const;

export type ScopeState = (typeof SCOPE_STATES)[number];

export interface AgreedScope {
  /**
   * Excluded: nothing is done. Partly: corrected one level milder. Hidden only: marks are filled, not removed.
   * Unpaid: done like the rest, and its time counted by itself.
   */
  readonly state: ScopeState;
  readonly reason: string;
}

export interface PrepareSettings {
  readonly level: Level;
  readonly schools: PrepareSchools;
  readonly site: Site;
  /** From a step on it is done somewhere else. */
  readonly move?: Move | undefined;
  /** It is here for care: washed gently over what stands, by neutral means only. */
  readonly forCare?: boolean | undefined;
  /** It comes salted or iced. */
  readonly salted?: boolean | undefined;
  /** It stands over night between the last wipe and the first layer. */
  readonly overnight?: boolean | undefined;
  /** Steps left out by hand: a kind for the whole item, or `surface/kind`. */
  readonly leftOut: ReadonlySet<string>;
  readonly reserveUm?: number | undefined;
  /** How much longer or shorter than the defaults each kind of step really takes here. */
  readonly learned?: Readonly<Partial<Record<StepKindId, number>>> | undefined;
  /** How much more or less of a thing than planned is really used here, by its name. */
  readonly learnedUse?: ReadonlyMap<string, number> | undefined;
  /** What marks really became at earlier jobs. */
  readonly sharesSeen?: ReadonlyMap<string, SharesSeen> | undefined;
  /** The preparation shelf: its sheets say how long a cleaner dwells, where it may not go, what a panel is polished with. */
  readonly kit?: Kit | undefined;
}

export interface PrepStep {
  readonly surface: string;
  readonly kind: StepKindId;
  /** Which time it is done on this panel, from 1: a full correction cuts twice, some wipe twice. */
  readonly round: number;
  readonly minutes: number;
  /** By the default rates, before what was learned. */
  readonly defaultMin: number;
  readonly uses: readonly { readonly what: string; readonly unit: string; readonly amount: number }[];
  readonly clearUm: readonly [number, number];
  readonly reason: string;
  /** Minutes until it has to be rinsed, by the cleaner's sheet or as usual. */
  readonly dwellMin?: number;
  /** What is poured, by its sheet. */
  readonly cleaner?: CleanerSheet;
  /** What it is polished with, by the shape of the panel and what is on the shelf. */
  readonly tool?: Tool;
  /** The test spot that decided it. */
  readonly measured?: MeasuredPair;
  /** Left out by hand: what follows. */
  readonly leftOut?: string;
  /** Not done here: why. */
  readonly impossible?: string;
  /** The rule of preparation that said so, by its name in the table; absent: the site, the paint or the shelf did. */
  readonly rule?: string;
  /** What to mind besides, for what is poured just before it. */
  readonly mind?: string;
}

/** Whether a step is really to be done: neither left out by hand nor ruled out. */
export const isDone = ({ leftOut, impossible }: Pick<PrepStep, 'leftOut' | 'impossible'>): boolean =>
  leftOut === undefined && impossible === undefined;

export interface MarkFate {
  readonly mark: string;
  /** Share of it that goes. */
  readonly share: number;
  /** It is filled: out of sight until the filler goes. */
  readonly hidden?: true;
}

export interface PanelPreparation {
  readonly id: string;
  readonly steps: readonly PrepStep[];
  readonly level: AllowedLevel;
  /** Undefined where nobody knows the clear, or nothing can be polished. */
  readonly ledger?: Ledger | undefined;
  /** Nobody has said what its paint looks like: counted as medium, and asked about. */
  readonly unknown?: true;
  /** What becomes of each mark. */
  readonly goes: readonly MarkFate[];
  readonly excluded?: string;
}

export interface Wanted {
  readonly kind: StepKindId;
  readonly reason: string;
  readonly round?: number;
  readonly pieces?: number;
  /** On top of the usual factors. */
  readonly factor?: number;
  /** Things by the square metre in place of the usual ones of the same name. */
  readonly uses?: readonly { readonly what: string; readonly unit: string; readonly perM2: number }[];
  readonly clearUm?: PrepStep['clearUm'] | undefined;
  readonly measured?: MeasuredPair | undefined;
  /** Worked out elsewhere, in place of the usual rate: minutes, things, clear. */
  readonly worked?: Pick<PrepStep, 'minutes' | 'uses' | 'clearUm'> | undefined;
  /** Why it cannot be done, besides the site. */
  readonly impossible?: string;
}
