import type { Blank } from '#core/film/blanks';
import type { Point } from '#core/item/geometry';

/** The sheet grows downwards, blanks upwards. */
const line = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${(-y).toFixed(1)}`).join('L')}`;

/** Blanks over their panels: cut line, cut-outs, reliefs; on the chosen panel its edges, to be tapped. */
export function blanksOverlay(
  blanks: readonly Blank[],
  chosen: string | undefined,
  onEdge: (middle: Point, wraps: boolean) => void,
) {
  return function Overlay(unit: number) {
    const own = blanks.find(({ panel }) => panel === chosen);
    return (
      <g>
        <g pointerEvents="none" aria-hidden fill="none" vectorEffect="non-scaling-stroke">
          {blanks.map(({ id, outline, cutOuts, reliefs }) => (
            <g key={id} stroke="var(--over)" strokeWidth={1.5 * unit}>
              <path d={`${line(outline)}Z`} />
              {cutOuts.map((each, index) => (
                <path key={index} d={`${line(each)}Z`} fill="var(--over-soft)" />
              ))}
              {reliefs.map((each, index) => (
                <path key={index} d={line(each)} strokeWidth={3 * unit} />
              ))}
            </g>
          ))}
        </g>
        {own?.edges.map(({ index, points, wraps }) => (
          <path
            key={index}
            d={line(points)}
            fill="none"
            stroke={wraps ? 'var(--ok)' : 'var(--ink-3)'}
            strokeWidth={5 * unit}
            strokeDasharray={wraps ? undefined : `${3 * unit} ${6 * unit}`}
            className="cursor-pointer"
            pointerEvents="stroke"
            onPointerDown={(event) => {
              event.stopPropagation();
              onEdge(points[Math.floor(points.length / 2)]!, !wraps);
            }}
          />
        ))}
      </g>
    );
  };
}
