import type { PanelPreparation } from '#core/prepare/stages';
import type { Fill } from '../../net/fills';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { hours } from '../../ui/hours';

const LEVEL_FILLS = {
  none: 'tint-1',
  'gloss-refresh': 'tint-2',
  'one-step': 'tint-3',
  'two-step': 'tint-4',
  full: 'buff',
} as const satisfies Record<string, Fill>;

export const PREPARE_LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Nothing to do' },
  { fill: 'tint-1', text: 'Cleaned' },
  { fill: 'tint-2', text: 'Gloss refresh' },
  { fill: 'tint-3', text: 'One step' },
  { fill: 'tint-4', text: 'Two steps' },
  { fill: 'buff', text: 'Full' },
  { fill: 'warn', text: 'Less than wanted' },
  { fill: 'cross', text: 'Not in this job' },
];

/** Panels by how far each is corrected, with its time; where the paint allows less than wanted, that. */
export function prepareLens(panels: readonly PanelPreparation[]) {
  const paints = new Map(
    panels.map(({ id, steps, level, excluded }): [string, PanelPaint] => {
      if (excluded !== undefined) return [id, { fill: 'cross', caption: 'excluded' }];
      if (steps.length === 0) return [id, { fill: 'blank' }];
      const minutes = steps
        .filter(({ leftOut, impossible }) => !leftOut && !impossible)
        .reduce((sum, step) => sum + step.minutes, 0);
      return [id, { fill: level.why ? 'warn' : LEVEL_FILLS[level.level], caption: hours(minutes) }];
    }),
  );
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}
