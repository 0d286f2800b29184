import type { Blank, BlankEdge } from '#core/film/blanks';
import { SeamLine } from './SeamLine';
import type { Point } from '#core/item/geometry';

/** The sheet grows downwards, blanks upwards. */
const line = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${(-y).toFixed(1)}`).join('L')}`;

/** A blank, and how far its panel was moved to its place on the sheet. */
export interface PlacedBlank {
  readonly blank: Blank;
  readonly byMm: Point;
}
const moved = ([x, y]: Point) => `translate(${x} ${y})`;

/** Blanks over their panels: cut line, cut-outs, reliefs; on the chosen panel its edges, to be tapped, and its seam, to be moved. */
export function blanksOverlay(
  blanks: readonly PlacedBlank[],
  chosen: string | undefined,
  onEdge: (edge: BlankEdge, wraps: boolean) => void,
  onSplit: (share: number) => void,
) {
  return function Overlay(unit: number) {
    const own = blanks.find(({ blank }) => blank.panel === chosen);
    return (
      <g>
        <g pointerEvents="none" aria-hidden fill="none" vectorEffect="non-scaling-stroke">
          {blanks.map(({ blank: { id, outline, cutOuts, reliefs }, byMm }) => (
            <g key={id} transform={moved(byMm)} stroke="var(--over)" strokeWidth={1.5 * unit}>
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
        {own?.blank.edges.map((edge) => (
          <path
            key={edge.index}
            d={line(edge.points)}
            transform={moved(own.byMm)}
            fill="none"
            stroke={edge.wraps ? 'var(--ok)' : 'var(--ink-3)'}
            strokeWidth={5 * unit}
            strokeDasharray={edge.wraps ? undefined : `${3 * unit} ${6 * unit}`}
            className="cursor-pointer"
            pointerEvents="stroke"
            onPointerDown={(event) => {
              event.stopPropagation();
              onEdge(edge, !edge.wraps);
            }}
          />
        ))}
        {own?.blank.seam && (
          <g transform={moved(own.byMm)}>
            <SeamLine key={own.blank.seam.share} seam={own.blank.seam} unit={unit} onMove={onSplit} />
          </g>
        )}
      </g>
    );
  };
}
