import type { Polygon } from '#core/item/geometry';

/** Lengths as a draughtsman writes them: outside the panel, along the side they measure. */
export function Lengths({
  outline,
  lengths,
  unit,
}: {
  outline: Polygon;
  lengths: { across: string; up: string };
  unit: number;
}) {
  const xs = outline.map(([x]) => x);
  const ys = outline.map(([, y]) => y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const size = 10.5 * unit;
  const off = 9 * unit;
  const tick = 3 * unit;
  const stroke = {
    stroke: 'var(--ink-3)',
    strokeWidth: 0.8,
    vectorEffect: 'non-scaling-stroke' as const,
    fill: 'none',
  };
  const text = {
    fontSize: size,
    fill: 'var(--ink-2)',
    textAnchor: 'middle' as const,
    stroke: 'var(--sheet)',
    strokeWidth: 3 * unit,
    paintOrder: 'stroke',
  };
  const middleY = (top + bottom) / 2;
  return (
    <g pointerEvents="none" aria-hidden>
      <path
        d={`M${left} ${top - off}H${right}M${left} ${top - off - tick}v${2 * tick}M${right} ${top - off - tick}v${2 * tick}`}
        {...stroke}
      />
      <text x={(left + right) / 2} y={top - off} dominantBaseline="central" {...text}>
        {lengths.across}
      </text>
      {lengths.up !== '' && (
        <>
          <path
            d={`M${left - off} ${top}V${bottom}M${left - off - tick} ${top}h${2 * tick}M${left - off - tick} ${bottom}h${2 * tick}`}
            {...stroke}
          />
          <text transform={`translate(${left - off} ${middleY}) rotate(-90)`} dominantBaseline="central" {...text}>
            {lengths.up}
          </text>
        </>
      )}
    </g>
  );
}
