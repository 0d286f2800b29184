import { boundingBox, type Polygon } from '#core/item/geometry';
import type { PanelSpot } from './paint';

const SPOT_PX = { small: 7.5, medium: 9, large: 11 } as const;

/** Something seen, printed over the sheet in its place. */
export function Spot({
  spot,
  outline,
  unit,
}: {
  readonly spot: PanelSpot;
  readonly outline: Polygon;
  readonly unit: number;
}) {
  const box = boundingBox(outline);
  const x = box.minX + spot.at[0] * (box.maxX - box.minX);
  const y = box.minY + spot.at[1] * (box.maxY - box.minY);
  const radius = SPOT_PX[spot.size] * unit;
  return (
    <g pointerEvents="none" aria-hidden>
      <circle
        cx={x}
        cy={y}
        r={radius}
        fill="var(--sheet)"
        stroke="var(--over)"
        strokeWidth={1.6}
        vectorEffect="non-scaling-stroke"
      />
      <text
        x={x}
        y={y}
        fontSize={radius * 1.15}
        fontWeight={650}
        textAnchor="middle"
        dominantBaseline="central"
        fill="var(--over)"
      >
        {spot.sign}
      </text>
    </g>
  );
}
