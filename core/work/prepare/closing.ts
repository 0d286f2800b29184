import { twinOf } from '#core/item/condition';
import { STEP_KINDS } from '#core/work/steps';
import type { Preparation, PrepStage } from './item';
import { isDone, type PanelCase } from './panel-case';
import { type StageRecord, stageState } from './stage-log';
import { stageKey } from './stage-ref';

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
    if ((panel.excluded === undefined) === (twin.excluded === undefined)) return [];
    return [{ what: 'is in this job on one side only', surface: panel.excluded === undefined ? twin.id : panel.id }];
  });
  return [...open, ...apart];
}

/** Parts that hold water after the rinse and let it out later, by what the item has. */
const HOLDS_WATER = /mirror|lamp|handle|badge|grille|cowl|plate|strake|window|glass|seal|sill|trim|screen/i;

/** Where water hides on an item: blown out first, and looked at again before laying. */
export function waterHides(surfaces: readonly { readonly id: string; readonly name: string }[]): string[] {
  const names = surfaces
    .filter(({ id, name }) => HOLDS_WATER.test(id) || HOLDS_WATER.test(name))
    .map(({ name }) => name.replace(/, (left|right)$/, ''));
  return [...new Set(names)];
}
