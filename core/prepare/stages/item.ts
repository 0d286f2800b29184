import { isPolishing, type StepKindId } from '#core/prepare/steps';
import { dwellGroups } from './dwell-groups';
import { kindOrder, zoneRank } from './kind-order';
import { type Level, LEVEL_DEFINITIONS, LEVELS, levelSays } from './levels';
import { shareGone } from './marks-gone';
import { preparePanel } from './panel';
import { mostTakenUm } from './polish-steps';
import {
  isDone,
  type MarkFate,
  type PanelCase,
  type PanelPreparation,
  type PrepareSettings,
  type PrepStep,
} from './panel-case';

/** A stage of the work: one kind of step over all the panels that want it, in the order they are reached. */
export interface PrepStage {
  readonly kind: StepKindId;
  readonly round: number;
  readonly steps: readonly PrepStep[];
  /** Of what is really to be done, what was sprayed on and has to be rinsed waited for. */
  readonly minutes: number;
  /** The same by the default rates. */
  readonly defaultMin: number;
}

export interface Preparation {
  readonly panels: readonly PanelPreparation[];
  /** In working order. */
  readonly stages: readonly PrepStage[];
  readonly minutes: number;
  /** Of these, what is done unpaid because an eye for faults will not let go. */
  readonly unpaidMin: number;
  readonly uses: readonly { readonly what: string; readonly unit: string; readonly amount: number }[];
  /**
   * Share of all polishable marks that goes, by how much of the paint they lie on: all over a panel its area, a single
   * one a spot of it; undefined where there are none.
   */
  readonly goneShare?: number;
}

/** What a single mark counts for beside one all over a panel, m²: what is looked at around it. */
const SINGLE_MARK_M2 = 0.05;

/** The preparation of a whole item: every panel's steps, gathered into stages in working order. */
export function prepareItem(panels: readonly PanelCase[], settings: PrepareSettings): Preparation {
  const prepared = prepareBesides(panels, settings);
  const cases = new Map(panels.map((panel) => [panel.id, panel]));
  const steps = prepared.flatMap((panel) => panel.steps);
  const stages = kindOrder(settings.schools).flatMap((kind): PrepStage[] => {
    const own = steps.filter((step) => step.kind === kind);
    const rounds = Math.max(0, ...own.map(({ round }) => round));
    return Array.from({ length: rounds }, (_, index) => {
      const ofRound = inReach(
        own.filter(({ round }) => round === index + 1),
        cases,
      );
      const dwell = dwellMin(ofRound, settings);
      return {
        kind,
        round: index + 1,
        steps: ofRound,
        minutes: minutesOf(ofRound) + dwell,
        defaultMin: ofRound.filter(isDone).reduce((sum, step) => sum + step.defaultMin, 0) + dwell,
      };
    });
  });
  const goes = prepared.flatMap(({ id, goes: shares }) => {
    const { marks, substrate, areaM2 } = cases.get(id)!;
    return shares.flatMap(({ share }, index) => {
      const mark = marks[index]!;
      // What polishing does nothing about is no measure of a correction.
      if (shareGone(mark, 'full', { substrate }) === 0) return [];
      return [{ share, m2: mark.allOver ? areaM2 : Math.min(areaM2, SINGLE_MARK_M2) }];
    });
  });
  const markedM2 = goes.reduce((sum, { m2 }) => sum + m2, 0);
  const unpaid = new Set(panels.filter(({ scope }) => scope?.state === 'unpaid').map(({ id }) => id));
  return {
    panels: prepared,
    stages,
    minutes: stages.reduce((sum, { minutes }) => sum + minutes, 0),
    unpaidMin: minutesOf(steps.filter(({ surface }) => unpaid.has(surface))),
    uses: usesOf(steps),
    ...(markedM2 > 0 && { goneShare: goes.reduce((sum, { share, m2 }) => sum + share * m2, 0) / markedM2 }),
  };
}

/** Every panel's steps, those that want masking knowing what is polished in their zone. */
function prepareBesides(panels: readonly PanelCase[], settings: PrepareSettings): PanelPreparation[] {
  const alone = panels.map((panel) => preparePanel(panel, settings));
  const polishedZones = new Set(
    alone.flatMap(({ steps }, index) =>
      steps.some((step) => isDone(step) && (isPolishing(step.kind) || step.kind === 'glass-polish'))
        ? [panels[index]!.zone]
        : [],
    ),
  );
  return panels.map((panel, index) =>
    polishedZones.has(panel.zone) ? preparePanel(panel, settings, true) : alone[index]!,
  );
}

const minutesOf = (steps: readonly PrepStep[]) => steps.filter(isDone).reduce((sum, { minutes }) => sum + minutes, 0);

/** What is sprayed on in one go dwells once; in the sun as many panels at a time as are sprayed within one dwell. */
function dwellMin(steps: readonly PrepStep[], settings: PrepareSettings): number {
  const groups = dwellGroups(settings);
  return steps.filter(isDone).reduce((sum, step) => sum + groups.dwellsMoreMin(step), 0);
}

/** By zone; among the steps of a zone the longest, on the worst panel, last, when the eye is in. */
function inReach(steps: readonly PrepStep[], cases: ReadonlyMap<string, PanelCase>): PrepStep[] {
  const rank = ({ surface }: PrepStep) => zoneRank(cases.get(surface)?.zone);
  return [...steps].sort((a, b) => rank(a) - rank(b) || a.minutes - b.minutes);
}

/** What steps that are really done use together, by thing. */
export function usesOf(steps: readonly PrepStep[]): Preparation['uses'] {
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
  readonly unpaidMin: number;
  readonly goneShare: number | undefined;
  /** Panels on which the paint, or their finish, allows less. */
  readonly milderOn: number;
  /** Panels of whose paint nobody has said anything. */
  readonly unknownOn: number;
  /** Most clear it takes on any panel, µm. */
  readonly mostUm: number;
  /** Marks of which most stays, by mark id. */
  readonly stays: readonly string[];
  readonly fates: readonly MarkFate[];
}

/** Every level side by side for one item. */
export function compareLevels(panels: readonly PanelCase[], settings: PrepareSettings): ScopeOption[] {
  return LEVELS.map((level) => {
    const prepared = prepareItem(panels, { ...settings, level });
    return {
      level,
      name: LEVEL_DEFINITIONS[level].name,
      says: levelSays(level, prepared.goneShare),
      minutes: prepared.minutes,
      unpaidMin: prepared.unpaidMin,
      goneShare: prepared.goneShare,
      milderOn: prepared.panels.filter(({ level: allowed }) => allowed.why !== undefined).length,
      unknownOn: prepared.panels.filter(({ unknown }) => unknown).length,
      mostUm: Math.max(
        0,
        ...prepared.panels.map(({ steps }) =>
          mostTakenUm(steps.filter((step) => isDone(step) && isPolishing(step.kind))),
        ),
      ),
      fates: prepared.panels.flatMap(({ goes }) => goes),
      stays: prepared.panels.flatMap(({ goes }) => goes.filter(({ share }) => share < 0.5).map(({ mark }) => mark)),
    };
  });
}
