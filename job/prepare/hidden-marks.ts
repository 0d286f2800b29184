import type { PanelPreparation } from '#core/prepare/stages';
import type { RunRecord } from '#core/lay/run';
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
