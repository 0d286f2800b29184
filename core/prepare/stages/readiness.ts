import { FAMILIES } from '#core/products/families';
import { STEP_KINDS, type StepKindId } from '#core/prepare/steps';
import { BONDING } from './bonding';
import { type Need, NEEDS } from './needs';
import { isDone, type PanelCase, type PrepStep } from './panel-case';

interface NeedDefinition {
  readonly kinds: readonly StepKindId[];
  /** Whether only what bonds to bare surface needs it. */
  readonly forBonds: boolean;
  /** How a panel without it is called. */
  readonly lacking: string;
  /** What follows. */
  readonly follows: string;
}

const NEED_DEFINITIONS: Readonly<Record<Need, NeedDefinition>> = {
  wash: {
    kinds: ['wash', 'rinseless', 'wheels', 'interior-clean'],
    forBonds: false,
    lacking: 'not washed',
    follows: 'dirt is laid in, and rubbed over the surface with the applicator',
  },
  decontamination: {
    kinds: ['degrease', 'iron', 'tar', 'clay'],
    forBonds: true,
    lacking: 'not decontaminated',
    follows: 'what is bonded to it is sealed in',
  },
  wipe: {
    kinds: ['panel-wipe', 'mild-wipe'],
    forBonds: true,
    lacking: 'not wiped',
    follows: 'oil and dust keep it from bonding',
  },
};

type Laid = Pick<PanelCase, 'toCome' | 'cameWith'>;

/** Something a panel needs before laying that its preparation does not do. */
export interface Lacking {
  readonly need: Need;
  /** Steps that were wanted for it and are not done. */
  readonly steps: readonly PrepStep[];
  /** One of them was left out by hand: it can be done after all. */
  readonly isLeftOut: boolean;
  /** In words: what it lacks, why, and what follows. */
  readonly says: string;
}

/**
 * What a panel needs before anything is laid on it and does not get: every step wanted for it is left out by hand, or
 * cannot be done with this site and these cleaners. What a rule of preparation forbids on such a panel is not needed there.
 * @param steps of its preparation
 */
export function lackingOn({ toCome, cameWith = [] }: Laid, steps: readonly PrepStep[]): Lacking[] {
  const [first] = toCome;
  if (first === undefined) return [];
  return NEEDS.flatMap((need): Lacking[] => {
    const { lacking, follows } = NEED_DEFINITIONS[need];
    const wanted = wantedFor(need, steps, BONDING.includes(first));
    if (cameWith.includes(need) || wanted.length === 0 || wanted.some(isDone)) return [];
    const isLeftOut = wanted.some(({ leftOut }) => leftOut !== undefined);
    const why = [...new Set(wanted.map(whyNot))].join('; ');
    return [
      {
        need,
        steps: wanted,
        isLeftOut,
        says: `${lacking}: ${why}. Under ${FAMILIES[first].name.toLowerCase()} ${follows}`,
      },
    ];
  });
}

const wantedFor = (need: Need, steps: readonly PrepStep[], bonds: boolean): PrepStep[] => {
  const { kinds, forBonds } = NEED_DEFINITIONS[need];
  return forBonds && !bonds ? [] : steps.filter(({ kind, rule }) => kinds.includes(kind) && rule === undefined);
};

const whyNot = ({ kind, leftOut, impossible }: PrepStep): string => {
  const name = STEP_KINDS[kind].name.toLowerCase();
  return leftOut === undefined && impossible !== undefined ? `${name}: ${impossible}` : `${name} is left out`;
};

/**
 * Steps a panel is still to be through with before anything is laid on it, by need: those planned for it, and those that
 * nobody planned though it needs them.
 * @param isThroughWith whether a step was really done on it
 */
export function stillToDo(
  panel: Laid,
  steps: readonly PrepStep[],
  isThroughWith: (step: PrepStep) => boolean,
): { readonly need: Need; readonly steps: readonly PrepStep[] }[] {
  const [first] = panel.toCome;
  if (first === undefined) return [];
  const lacking = new Set(lackingOn(panel, steps).map(({ need }) => need));
  return NEEDS.flatMap((need) => {
    const wanted = wantedFor(need, steps, BONDING.includes(first));
    if (panel.cameWith?.includes(need)) return [];
    const open = wanted.filter((step) => (lacking.has(need) || isDone(step)) && !isThroughWith(step));
    return open.length > 0 ? [{ need, steps: open }] : [];
  });
}
