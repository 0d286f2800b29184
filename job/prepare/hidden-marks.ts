import type { PanelPreparation } from '#core/prepare/stages';
import { patchState, type RunRecord } from '#core/lay/run';
import { isPolishing } from '#core/prepare/steps';
import type { Job, SurfaceMark } from '#formats/job';

/**
 * Marks of each panel that are out of sight and come back with the removal of what hides them: filled at this visit, as
 * noted, agreed or planned, or at an earlier one and not dealt with since. Panels without any are left out.
 */
export function hiddenMarks(
  { surfaces }: Pick<Job, 'surfaces'>,
  { outcomes }: Pick<RunRecord, 'outcomes'>,
  panels: readonly Pick<PanelPreparation, 'id' | 'goes'>[],
): Map<string, readonly SurfaceMark[]> {
  const filled = new Set(panels.flatMap(({ goes }) => goes.filter(({ hidden }) => hidden).map(({ mark }) => mark)));
  return new Map(
    surfaces.flatMap(({ id, marks = [] }) => {
      const hidden = marks.filter((mark) => {
        const became = outcomes.get(mark.id)?.outcome ?? mark.outcome;
        return became === undefined ? mark.hiddenBefore === true || filled.has(mark.id) : became === 'hidden';
      });
      return hidden.length > 0 ? [[id, hidden] as const] : [];
    }),
  );
}

export type MarkBecame = NonNullable<SurfaceMark['outcome']>;

/**
 * What really became of marks, by mark: as noted at the bay, else as agreed or planned where correction of the panel is
 * finished; what was to be hidden also where something that hides it was laid. A mark nothing was done about is left out.
 * @param panels with the steps they are through with: see `donePanels`
 */
export function marksBecame(
  { surfaces }: Pick<Job, 'surfaces'>,
  { outcomes, patches }: Pick<RunRecord, 'outcomes' | 'patches'>,
  panels: readonly Pick<PanelPreparation, 'id' | 'goes' | 'steps'>[],
): Map<string, MarkBecame> {
  const corrected = new Map(
    panels.filter(({ steps }) => steps.some(({ kind }) => isPolishing(kind))).map((panel) => [panel.id, panel]),
  );
  const laid = new Set(
    [...patches.values()].filter((patch) => patchState(patch) === 'done').map(({ patch }) => patch.surface),
  );
  return new Map(
    surfaces.flatMap(({ id, marks = [] }) =>
      marks.flatMap((mark): (readonly [string, MarkBecame])[] => {
        const noted = outcomes.get(mark.id)?.outcome;
        if (noted) return [[mark.id, noted]];
        const panel = corrected.get(id);
        if (!panel) return mark.outcome === 'hidden' && laid.has(id) ? [[mark.id, 'hidden']] : [];
        const filled = panel.goes.some(({ mark: gone, hidden }) => hidden && gone === mark.id);
        const agreed = mark.outcome ?? (filled ? 'hidden' : undefined);
        return agreed ? [[mark.id, agreed]] : [];
      }),
    ),
  );
}
