import { memo } from 'react';
import type { Arrangement } from '#core/item/nets';

/** What is drawn and is no panel: ground, creases, handles. */
export const Lines = memo(function Lines({ linework }: { readonly linework: Arrangement['linework'] }) {
  const path = linework.map((line) => `M${line.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`).join('');
  return (
    <path
      d={path}
      fill="none"
      stroke="var(--ink-3)"
      strokeWidth={0.8}
      strokeLinejoin="round"
      vectorEffect="non-scaling-stroke"
      pointerEvents="none"
    />
  );
});

/** A length one can compare with: one metre, or half of one on a small item. */
export const ScaleBar = memo(function ScaleBar({
  x,
  y,
  unit,
}: {
  readonly x: number;
  readonly y: number;
  readonly unit: number;
}) {
  const lengthMm = 1000 / unit > 50 ? 1000 : 5000;
  const quarter = lengthMm / 4;
  const high = 4 * unit;
  return (
    <g aria-hidden pointerEvents="none">
      {[0, 1, 2, 3].map((part) => (
        <rect
          key={part}
          x={x + part * quarter}
          y={y - high}
          width={quarter}
          height={high}
          fill={part % 2 === 0 ? 'var(--ink-2)' : 'var(--sheet)'}
          stroke="var(--ink-2)"
          strokeWidth={0.8}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <text x={x + lengthMm + 6 * unit} y={y} fontSize={11 * unit} fill="var(--ink-2)">
        {lengthMm / 1000} m
      </text>
    </g>
  );
});
