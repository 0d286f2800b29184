import type { Zone } from '../nets';
import { LEVEL_DEFINITIONS, type Level, LEVELS, shareGone } from './levels';
import { type PanelCase, type PanelPreparation, preparePanel, type PrepareSettings, type PrepStep } from './panel';
import { type StepKindId } from './steps';

/** A stage of the work: one kind of step over all the panels that want it, in the order they are reached. */
export interface PrepStage {
  readonly kind: StepKindId;
  readonly round: number;
  readonly steps: readonly PrepStep[];
  /** Of what is really to be done. */
  readonly minutes: number;
}

export interface Preparation {
  readonly panels: readonly PanelPreparation[];
  /** In working order. */
  readonly stages: readonly PrepStage[];
  readonly minutes: number;
  readonly uses: readonly { readonly what: string; readonly unit: string; readonly amount: number }[];
  /** Share of all polishable marks that goes, each counted once; undefined where there are none. */
  readonly goneShare?: number;
}

/** Kinds of steps in the order of the work; wheels and iron move with the school. */
function kindOrder({ schools }: PrepareSettings): readonly StepKindId[] {
  const wash: readonly StepKindId[] = ['pre-wash', 'wash', 'rinseless'];
  const washed: readonly StepKindId[] = schools.iron === 'before-wash' ? ['iron', ...wash] : [...wash, 'iron'];
  const cleaned: readonly StepKindId[] = [...washed, 'tar', 'clay', 'dry'];
  return [
    ...(schools.wheels === 'first' ? (['wheels', ...cleaned] as const) : ([...cleaned, 'wheels'] as const)),
    'chip-repair',
    'tape',
    'cutting',
    'single-stage',
    'refining',
    'finishing',
    'inspection',
    'trim-restore',
    'glass-polish',
    'prep-wash',
    'panel-wipe',
  ];
}

/** Tops before the item is raised, what is underneath last. */
const ZONE_ORDER: Readonly<Record<Zone, number>> = { top: 0, front: 1, rear: 2, left: 3, right: 4, under: 5 };

/** The preparation of a whole item: every panel's steps, gathered into stages in working order. */
export function prepareItem(panels: readonly PanelCase[], settings: PrepareSettings): Preparation {
  const prepared = panels.map((panel) => preparePanel(panel, settings));
  const cases = new Map(panels.map((panel) => [panel.id, panel]));
  const steps = prepared.flatMap((panel) => panel.steps);
  const stages = kindOrder(settings).flatMap((kind): PrepStage[] => {
    const own = steps.filter((step) => step.kind === kind);
    const rounds = Math.max(0, ...own.map(({ round }) => round));
    return Array.from({ length: rounds }, (_, index) => {
      const ofRound = inReach(
        own.filter(({ round }) => round === index + 1),
        cases,
      );
      return { kind, round: index + 1, steps: ofRound, minutes: minutesOf(ofRound) };
    });
  });
  const goes = prepared.flatMap(({ id, goes: shares }) => {
    const { marks, substrate } = cases.get(id)!;
    // What polishing does nothing about is no measure of a correction.
    return shares.filter((_, index) => shareGone(marks[index]!, 'full', substrate) > 0);
  });
  return {
    panels: prepared,
    stages,
    minutes: minutesOf(steps),
    uses: usesOf(steps),
    ...(goes.length > 0 && { goneShare: goes.reduce((sum, { share }) => sum + share, 0) / goes.length }),
  };
}

const isDone = ({ leftOut, impossible }: PrepStep) => !leftOut && !impossible;
const minutesOf = (steps: readonly PrepStep[]) => steps.filter(isDone).reduce((sum, { minutes }) => sum + minutes, 0);

/** By zone; among the polishing steps of a zone the worst panel last, when the eye is in. */
function inReach(steps: readonly PrepStep[], cases: ReadonlyMap<string, PanelCase>): PrepStep[] {
  const zoneOf = ({ surface }: PrepStep) => ZONE_ORDER[cases.get(surface)?.zone ?? 'left'];
  return [...steps].sort((a, b) => zoneOf(a) - zoneOf(b) || a.minutes - b.minutes);
}

function usesOf(steps: readonly PrepStep[]): Preparation['uses'] {
  const totals = new Map<string, { what: string; unit: string; amount: number }>();
  for (const { what, unit, amount } of steps.filter(isDone).flatMap(({ uses }) => uses)) {
    const known = totals.get(what);
    totals.set(what, { what, unit, amount: (known?.amount ?? 0) + amount });
  }
  return [...totals.values()];
}

/** One level of correction as it is laid beside the others for an item. */
export interface ScopeOption {
  readonly level: Level;
  readonly name: string;
  readonly says: string;
  readonly minutes: number;
  readonly goneShare: number | undefined;
  /** Panels on which the paint, or their finish, allows less. */
  readonly milderOn: number;
  /** Most clear it takes on any panel, µm. */
  readonly mostUm: number;
  /** Marks of which most stays, by mark id. */
  readonly stays: readonly string[];
}

/** Every level side by side for one item. */
export function compareLevels(panels: readonly PanelCase[], settings: PrepareSettings): ScopeOption[] {
  return LEVELS.map((level) => {
    const prepared = prepareItem(panels, { ...settings, level });
    return {
      level,
      name: LEVEL_DEFINITIONS[level].name,
      says: LEVEL_DEFINITIONS[level].says,
      minutes: prepared.minutes,
      goneShare: prepared.goneShare,
      milderOn: prepared.panels.filter(({ level: allowed }) => allowed.why !== undefined).length,
      mostUm: Math.max(0, ...prepared.panels.map(({ ledger }) => ledger?.thisCorrectionUm ?? 0)),
      stays: prepared.panels.flatMap(({ goes }) => goes.filter(({ share }) => share < 0.5).map(({ mark }) => mark)),
    };
  });
}
