import { twinOf } from '#core/survey/condition';
import type { Make } from '#core/item/make';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { STEP_KINDS, type StepKindId } from '#core/prepare/steps';
import type { Preparation, PrepStage } from './item';
import { isDone, type PanelCase } from './panel-case';
import { type StageRecord, stageState } from './stage-log';
import { stageKey } from './stage-ref';

/** What was wiped longer ago than this is wiped again, minutes: it stood over night. Engineering default. */
export const SETTLES_MIN = 480;

/** The wipes that end a preparation. */
const LAST_WIPES: readonly StepKindId[] = ['panel-wipe', 'mild-wipe'];

/** Something that would be forgotten. */
export interface Loose {
  readonly what: string;
  readonly surface?: string;
}

/**
 * What is loose before anything is laid: stages passed over while a later one was begun, stages left unfinished
 * while a later one was finished, and twins that are not treated alike.
 */
export function looseEnds(
  { stages, panels }: Preparation,
  cases: readonly PanelCase[],
  done: ReadonlyMap<string, StageRecord>,
  /** Now, where nothing has been laid yet; minutes on the scale of the stages. */
  waitingMin?: number,
): Loose[] {
  const worked = stages.filter(({ steps }) => steps.some(isDone));
  const stateOf = (stage: PrepStage) => stageState(done.get(stageKey(stage)));
  const lastBegun = worked.findLastIndex((stage) => stateOf(stage) !== 'todo');
  const lastDone = worked.findLastIndex((stage) => stateOf(stage) === 'done');
  const open = worked.flatMap((stage, index): Loose[] => {
    const state = stateOf(stage);
    const { name } = STEP_KINDS[stage.kind];
    if (state === 'todo') return index < lastBegun ? [{ what: `${name}: not begun` }] : [];
    return state !== 'done' && index < lastDone ? [{ what: `${name}: not finished` }] : [];
  });
  const byId = new Map(panels.map((panel) => [panel.id, panel]));
  const known = new Map(cases.map((panel) => [panel.id, panel]));
  const apart = panels.flatMap((panel): Loose[] => {
    const twin = panel.id.endsWith('-left') ? byId.get(twinOf(panel.id)!) : undefined;
    if (!twin || known.get(twin.id)?.substrate !== known.get(panel.id)?.substrate) return [];
    const unlike = (what: string, odd = panel.id): Loose[] => [{ what, surface: odd }];
    if ((panel.excluded === undefined) !== (twin.excluded === undefined))
      return unlike('is in this job on one side only', panel.excluded === undefined ? twin.id : panel.id);
    const [own, other] = [known.get(panel.id)!, known.get(twin.id)!];
    if (own.toCome.join() !== other.toCome.join()) return unlike('gets another stack than its twin');
    return panel.level.level === twin.level.level ? [] : unlike('is corrected to another level than its twin');
  });
  const wiped = [...done.values()].filter(
    ({ stage, endMin }) => LAST_WIPES.includes(stage.kind) && endMin !== undefined,
  );
  const lastWipeMin = Math.max(-Infinity, ...wiped.map(({ endMin }) => endMin!));
  const stood =
    waitingMin !== undefined && wiped.length > 0 && waitingMin - lastWipeMin > SETTLES_MIN
      ? [{ what: 'Wiped hours ago: dust and bloom have settled, wipe again before laying' }]
      : [];
  return [...open, ...apart, ...stood];
}

/** Parts that hold water after the rinse and let it out later: what has a gap round it. */
const holdsWater = ({ substrate, piece }: { readonly substrate: SubstrateId } & Make): boolean =>
  SUBSTRATES[substrate].moulding === true || SUBSTRATES[substrate].glass === true || piece !== undefined;

/** Where water hides on an item: blown out first, and looked at again before laying. */
export function waterHides(
  surfaces: readonly ({ readonly name: string; readonly substrate: SubstrateId } & Make)[],
): string[] {
  const names = surfaces.filter(holdsWater).map(({ name }) => name.replace(/, (left|right)$/, ''));
  return [...new Set(names)];
}
