import { isDone, type PrepStage, type StageRecord } from '#core/prepare/stages';
import type { LegendEntry, PanelPaint } from '../../net/paint';

export const STAGE_LEGEND: readonly LegendEntry[] = [
  { fill: 'tint-4', text: 'To do' },
  { fill: 'tint-1', text: '✓ Done' },
  { fill: 'blank', text: 'Not in this step' },
];

/** Panels by how far a stage of the preparation is with them: what is still to do stands out. */
export function stageLens({ steps }: PrepStage, record: StageRecord | undefined) {
  const own = new Set(steps.filter(isDone).map(({ surface }) => surface));
  const through = new Set(record?.panels);
  return (id: string): PanelPaint =>
    !own.has(id) ? { fill: 'blank' } : through.has(id) ? { fill: 'tint-1', sign: 'done' } : { fill: 'tint-4' };
}
