import { boundingBox, type Polygon } from '#core/item/geometry';
import type { WorkPatch } from '#core/plan/section-map';

const pathOf = (outline: Polygon) => `M${outline.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;
/** Smaller on the screen than this a number says nothing of its amount, px. */
const AMOUNT_FROM_PX = 46;
const NUMBER_FROM_PX = 15;

/** Seams, numbers and amounts over the panels; `unit` is millimetres per pixel. */
export function sectionsOverlay(patches: readonly WorkPatch[], said: (amount: number) => string) {
  return function Overlay(unit: number) {
    return (
      <g pointerEvents="none" aria-hidden>
        {patches.flatMap(({ number, pieces, amount }) =>
          pieces.map(({ surface, section, outline }, index) => {
            const { minX, maxX, minY, maxY } = boundingBox(outline);
            const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
            const room = Math.min(maxX - minX, maxY - minY) / unit;
            const tells = index === 0 && room >= AMOUNT_FROM_PX;
            return (
              <g key={`${surface}/${section}`}>
                <path
                  d={pathOf(outline)}
                  fill="none"
                  stroke="var(--over)"
                  strokeWidth={1.4}
                  strokeDasharray="5 3"
                  vectorEffect="non-scaling-stroke"
                />
                {room >= NUMBER_FROM_PX && (
                  <>
                    <circle cx={x} cy={y - (tells ? 7 * unit : 0)} r={9 * unit} fill="var(--over)" />
                    <text
                      x={x}
                      y={y - (tells ? 3 : -4) * unit}
                      textAnchor="middle"
                      fontSize={11 * unit}
                      fontWeight={700}
                      fill="var(--over-ink)"
                    >
                      {number}
                    </text>
                  </>
                )}
                {tells && (
                  <text
                    x={x}
                    y={y + 15 * unit}
                    textAnchor="middle"
                    fontSize={11 * unit}
                    fontWeight={600}
                    fill="var(--ink)"
                    stroke="var(--sheet)"
                    strokeWidth={3 * unit}
                    paintOrder="stroke"
                  >
                    {said(amount)}
                  </text>
                )}
              </g>
            );
          }),
        )}
      </g>
    );
  };
}
