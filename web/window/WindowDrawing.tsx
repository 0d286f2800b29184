import { memo, useId, useRef } from 'react';
import { useSize } from '../ui/useSize';

export interface WindowTimes {
  /** Minutes after laying began; central estimate, and the part of it one can trust. */
  readonly fromMin: number;
  readonly byMin: number | null;
  readonly guardedFromMin: number;
  readonly guardedByMin: number | null;
  readonly cueMin?: number | undefined;
}

interface Props {
  readonly times: WindowTimes;
  /**
   * Minutes since laying began. Given: the patch is wet and in its flash, the opening shows its colours, and the gate comes
   * towards the person and passes. Not given: the plan of it.
   */
  readonly nowMin?: number | undefined;
  readonly heightPx: number;
}

/** Where the person stands along the width while the gate passes. */
const NOW_SHARE = 0.24;
const JAW = 0.5;

/**
 * The window as two jaws: shut, opening between the earliest moment and the one to be trusted, open, and
 * closing again. In a run time flows to the left, past the line that is now.
 */
export const WindowDrawing = memo(function WindowDrawing({ times, nowMin, heightPx }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const id = useId().replaceAll(':', '');
  const { fromMin, byMin, guardedFromMin, guardedByMin, cueMin } = times;
  const lastMin = byMin ?? Math.max(fromMin * 1.8, fromMin + 4);
  const spanMin = Math.max(lastMin * 1.25, 1);
  const live = nowMin !== undefined;
  const shownMin = live ? Math.max(spanMin * 0.9, 2) : spanMin;
  const startMin = live ? nowMin - shownMin * NOW_SHARE : 0;
  const x = (min: number) => ((min - startMin) / shownMin) * width;
  const text = 16;
  const high = heightPx - text;
  const middle = high * JAW;
  const end = Math.max(width, x(lastMin)) + 40;
  const shut = byMin === null;
  /** One jaw: along the middle while shut, drawn back to its edge while open. */
  const jaw = (edge: number) => {
    const points: (readonly [number, number])[] = [
      [Math.min(0, x(0)) - 40, middle],
      [x(fromMin), middle],
      [x(guardedFromMin), edge],
      ...(shut
        ? ([[end, edge]] as const)
        : ([
            [x(guardedByMin ?? byMin), edge],
            [x(byMin), middle],
            [end, middle],
          ] as const)),
    ];
    const far = edge === 0 ? -2 : high + 2;
    return `M${points.map(([px, py]) => `${px.toFixed(1)} ${py.toFixed(1)}`).join('L')}L${end} ${far}L${Math.min(0, x(0)) - 40} ${far}Z`;
  };
  return (
    <div ref={frame} className="relative w-full overflow-hidden" style={{ height: heightPx }}>
      {width > 0 && (
        <svg width={width} height={heightPx} className="block" aria-hidden>
          <defs>
            <linearGradient id={id} x1={x(fromMin)} x2={x(lastMin)} gradientUnits="userSpaceOnUse">
              <stop offset="0" stopColor="#f2c14b" />
              <stop offset="0.3" stopColor="#ef7fb0" />
              <stop offset="0.55" stopColor="#7d8cf0" />
              <stop offset="0.8" stopColor="#4fc3d9" />
              <stop offset="1" stopColor="#8fd694" />
            </linearGradient>
          </defs>
          <rect width={width} height={high} fill={live ? `url(#${id})` : 'var(--sheet)'} />
          {[jaw(0), jaw(high)].map((path) => (
            <path
              key={path}
              d={path}
              fill="var(--jaw)"
              fillOpacity={live ? 0.92 : 0.55}
              stroke="var(--ink)"
              strokeWidth={1}
            />
          ))}
          {[...ticks(shownMin)].map((min) => (
            <g key={min}>
              <path d={`M${x(min)} ${high}v4`} stroke="var(--ink-3)" />
              <text x={x(min)} y={heightPx - 1} fontSize={11.5} textAnchor="middle" fill="var(--ink-3)">
                {min}
              </text>
            </g>
          ))}
          {cueMin !== undefined && (
            <path d={`M${x(cueMin)} 0V${high}`} stroke="var(--sheet)" strokeWidth={2} strokeDasharray="4 4" />
          )}
          {live && (
            <>
              <path d={`M${x(nowMin)} 0V${high}`} stroke="var(--over)" strokeWidth={4} />
              <path d={`M${x(nowMin) - 9} 0h18l-9 12Z`} fill="var(--over)" />
            </>
          )}
        </svg>
      )}
    </div>
  );

  /** Round minutes worth a mark: about six across. */
  function* ticks(shown: number): Generator<number> {
    const step = [1, 2, 5, 10, 20, 30, 60, 120, 240].find((size) => shown / size <= 8) ?? 480;
    for (let min = Math.max(0, Math.ceil(startMin / step) * step); min <= startMin + shown; min += step) yield min;
  }
});
