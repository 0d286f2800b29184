import { isDone, type PrepStage, type StageRecord } from '#core/work/prepare';
import type { LegendEntry, PanelPaint } from '../../net/paint';

export const STAGE_LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'To do' },
  { fill: 'tint-2', text: '✓ Done' },
  { fill: 'cross', text: 'Not in this step' },
];

/** Panels by how far a stage of the preparation is with them. */
export function stageLens({ steps }: PrepStage, record: StageRecord | undefined) {
  const own = new Set(steps.filter(isDone).map(({ surface }) => surface));
  const through = new Set(record?.panels);
  return (id: string): PanelPaint =>
    !own.has(id) ? { fill: 'cross' } : through.has(id) ? { fill: 'tint-2', sign: 'done' } : { fill: 'blank' };
}
