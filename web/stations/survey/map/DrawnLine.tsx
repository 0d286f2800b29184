import type { Point } from '#core/item/geometry';
import type { Snapped } from '#core/item/nets';

interface Props {
  readonly points: readonly Point[];
  /** Where the next corner would come. */
  readonly pen?: Snapped | undefined;
  readonly closed?: boolean;
  readonly unit: number;
}

const length = ([ax, ay]: Point, [bx, by]: Point) => Math.hypot(ax - bx, ay - by);

/** An outline as it is being drawn, each edge with its length. */
export function DrawnLine({ points, pen, closed = false, unit }: Props) {
  const all = pen ? [...points, pen.point] : points;
  const path = all.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');
  const edges = all.slice(1).map((to, index) => ({ from: all[index]!, to }));
  return (
    <g pointerEvents="none" aria-hidden>
      <path
        d={closed ? `${path}Z` : path}
        fill={closed ? 'var(--over)' : 'none'}
        fillOpacity={0.14}
        stroke="var(--over)"
        strokeWidth={2.2}
        strokeDasharray={closed ? undefined : '7 4'}
        vectorEffect="non-scaling-stroke"
      />
      {points.map(([x, y], index) => (
        <circle
          key={index}
          cx={x}
          cy={y}
          r={(index === 0 ? 6 : 4) * unit}
          fill={index === 0 ? 'var(--over)' : 'var(--sheet)'}
          stroke="var(--over)"
          strokeWidth={1.6}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {!closed &&
        edges.slice(-3).map(({ from, to }, index) => (
          <text
            key={index}
            x={(from[0] + to[0]) / 2}
            y={(from[1] + to[1]) / 2 - 6 * unit}
            fontSize={11.5 * unit}
            fontWeight={650}
            textAnchor="middle"
            fill="var(--over)"
            stroke="var(--sheet)"
            strokeWidth={3.4 * unit}
            paintOrder="stroke"
          >
            {length(from, to).toFixed(0)}
          </text>
        ))}
      {pen && <Pen pen={pen} unit={unit} />}
    </g>
  );
}

const SNAP_SIGNS = { corner: 'corner', edge: 'edge', level: 'level', upright: 'upright' } as const;

function Pen({ pen: { point, to }, unit }: { readonly pen: Snapped; readonly unit: number }) {
  const [x, y] = point;
  const arm = 10 * unit;
  return (
    <>
      <path
        d={`M${x - arm} ${y}H${x + arm}M${x} ${y - arm}V${y + arm}`}
        stroke="var(--over)"
        strokeWidth={1.4}
        vectorEffect="non-scaling-stroke"
      />
      {to && (
        <text x={x + 9 * unit} y={y - 8 * unit} fontSize={11 * unit} fill="var(--over)">
          {SNAP_SIGNS[to]}
        </text>
      )}
    </>
  );
}
