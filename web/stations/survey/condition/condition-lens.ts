import { MARK_KINDS, worstSeverity } from '#core/survey/condition';
import { gaugeReads, judgeReadings, type PaintVerdict } from '#core/survey/paint';
import type { Surface } from '#formats/job';
import { placedReadings } from '#job/edit';
import type { Fill } from '../../../net/fills';
import type { LegendEntry, PanelPaint, PanelSpot } from '../../../net/paint';
import { um } from '../../../ui/measures';

const SPOT_SIZES = { light: 'small', medium: 'medium', heavy: 'large' } as const;
const SEVERITY_FILLS = { light: 'tint-2', medium: 'buff', heavy: 'warn' } as const satisfies Record<string, Fill>;

export const CONDITION_LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Nothing marked' },
  { fill: 'tint-2', text: 'Light' },
  { fill: 'buff', text: 'Medium' },
  { fill: 'warn', text: 'Heavy' },
];

/** Panels by the gravest mark on them, each mark in its place. */
export function conditionLens(surfaces: readonly Surface[]) {
  const paints = new Map(
    surfaces.map(({ id, marks = [] }): [string, PanelPaint] => {
      const worst = worstSeverity(marks);
      return [
        id,
        {
          fill: worst ? SEVERITY_FILLS[worst] : 'blank',
          caption: marks.length === 0 ? undefined : marks.length === 1 ? '1 mark' : `${marks.length} marks`,
          spots: marks.map(({ id: key, kind, severity, at }) => ({
            key,
            at,
            sign: MARK_KINDS[kind].sign,
            size: SPOT_SIZES[severity],
          })),
        },
      ];
    }),
  );
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}

const VERDICT_FILLS: Readonly<Record<PaintVerdict, Fill>> = {
  usual: 'tint-3',
  thin: 'stop',
  refinished: 'warn',
  filler: 'buff',
  'not-readable': 'cross',
};

export const THICKNESS_LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Not read yet' },
  { fill: 'cross', text: 'A gauge cannot read it' },
  { fill: 'tint-3', text: 'As usual' },
  { fill: 'stop', text: 'Thin' },
  { fill: 'warn', text: 'Refinished' },
  { fill: 'buff', text: 'Filler' },
];

/** Panels by their paint thickness, judged against the whole item; on the chosen one each reading in its place. */
export function thicknessLens(surfaces: readonly Surface[], chosen?: string) {
  const judged = judgeReadings(surfaces);
  const paints = new Map(
    surfaces.map((surface, index): [string, PanelPaint] => {
      const { id } = surface;
      const { count, verdict, medianUm } = judged[index]!;
      if (!gaugeReads(surface)) return [id, { fill: 'cross' }];
      if (count === 0) return [id, { fill: 'blank' }];
      return [
        id,
        {
          fill: VERDICT_FILLS[verdict],
          caption: medianUm === undefined ? undefined : `${um(medianUm)}`,
          ...(id === chosen && { spots: readingSpots(surface) }),
        },
      ];
    }),
  );
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}

function readingSpots(surface: Surface): PanelSpot[] {
  return placedReadings(surface).flatMap(({ um, at }, index) =>
    at ? [{ key: String(index), at, sign: um.toFixed(0), size: 'large' as const }] : [],
  );
}
