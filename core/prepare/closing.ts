import { twinOf } from '../condition';
import type { Preparation } from './item';
import type { PanelCase } from './panel';
import { stageKey, stageState, type StageRecord } from './stage-log';
import { STEP_KINDS } from './steps';

/** Something that would be forgotten. */
export interface Loose {
  readonly what: string;
  readonly surface?: string;
}

/**
 * What is still loose before anything is laid: stages begun and not finished or not begun at all, twins that are
 * not treated alike, and steps the site did not allow.
 */
export function looseEnds(
  { stages, panels }: Preparation,
  cases: readonly PanelCase[],
  done: ReadonlyMap<string, StageRecord>,
): Loose[] {
  const begun = [...done.values()].some((record) => stageState(record) !== 'todo');
  const open = stages
    .filter(({ steps }) => steps.some(({ leftOut, impossible }) => !leftOut && !impossible))
    .flatMap((stage): Loose[] => {
      const state = stageState(done.get(stageKey(stage)));
      if (state === 'done' || !begun) return [];
      return [{ what: `${STEP_KINDS[stage.kind].name} is ${state === 'todo' ? 'not begun' : 'not finished'}` }];
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
