import { type PointerEvent, useRef, useState } from 'react';
import type { CutPiece, CutPlan, Offcut } from '#core/film/cut-plan';
import type { Placement } from '#core/film/nest';
import { boundingBox, type Point, type Polygon } from '#core/item/geometry';
import { useSize } from '../../../ui/useSize';

interface Props {
  readonly plan: CutPlan;
  readonly offcuts: readonly Offcut[];
  readonly pinned: ReadonlySet<string>;
  readonly placements: readonly Placement[];
  /** What is on the roll; absent: enough. */
  readonly lastsMm: number | undefined;
  /** Not to be cut from. */
  readonly flaws: readonly Polygon[];
  readonly onMove?: ((moved: Placement) => void) | undefined;
  readonly onPin?: ((key: string) => void) | undefined;
}

interface Drag {
  readonly key: string;
  readonly from: Point;
  readonly by: Point;
}

/** Moved by less than this, px, it was a tap. */
const TAP_PX = 5;
const EDGE_MM = 60;
/** Letters of a label, px, and from what size of piece on it has one. */
const LETTERS_PX = 12;
const LABEL_FROM_PX = 40;
/** Step of a key, mm. */
const KEY_MM = 10;
const KEYS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-KEY_MM, 0],
  ArrowRight: [KEY_MM, 0],
  ArrowUp: [0, KEY_MM],
  ArrowDown: [0, -KEY_MM],
};

/** The roll from above, its free end at the left, with what is cut from it. */
export function RollDrawing({ plan, offcuts, pinned, placements, lastsMm, flaws, onMove, onPin }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const size = useSize(box);
  const [drag, setDrag] = useState<Drag>();
  const { widthMm, lengthMm, pieces } = plan;
  const shownMm = Math.max(lengthMm, widthMm * 0.6);
  const unit =
    size.width > 0 ? Math.max((shownMm + 2 * EDGE_MM) / size.width, (widthMm + 2 * EDGE_MM) / size.height) : 2;
  const at = (event: PointerEvent<SVGElement>): Point => {
    const svg = event.currentTarget.ownerSVGElement!;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
    return [x, y];
  };
  // The roll's lower edge is the lower one on the screen.
  const line = (points: readonly Point[]) =>
    `M${points.map(([x, y]) => `${x.toFixed(1)} ${(widthMm - y).toFixed(1)}`).join('L')}`;
  const placementOf = (key: string) => placements.find(({ id, copy }) => `${id}/${copy}` === key);
  const drop = (key: string, [dx, dy]: Point) => {
    const placement = placementOf(key);
    if (placement) onMove?.({ ...placement, xMm: placement.xMm + dx, yMm: placement.yMm - dy });
  };
  return (
    <div ref={box} className="min-h-0 flex-1 overflow-hidden p-2">
      <svg
        role="group"
        aria-label="The roll and what is cut from it"
        className="h-full w-full touch-none"
        viewBox={`${-EDGE_MM} ${-EDGE_MM} ${shownMm + 2 * EDGE_MM} ${widthMm + 2 * EDGE_MM}`}
        preserveAspectRatio="xMinYMid meet"
      >
        <rect
          x={0}
          y={0}
          width={shownMm + EDGE_MM}
          height={widthMm}
          fill="var(--tint-1)"
          stroke="var(--line-strong)"
          strokeWidth={1.5 * unit}
        />
        {lastsMm !== undefined && lastsMm <= shownMm + EDGE_MM && (
          <rect x={lastsMm} y={0} width={shownMm + EDGE_MM - lastsMm} height={widthMm} fill="var(--stop-soft)" />
        )}
        {offcuts.map(({ outline }, index) => (
          <path
            key={index}
            d={`${line(outline)}Z`}
            fill="var(--ok-soft)"
            stroke="var(--ok)"
            strokeWidth={unit}
            strokeDasharray={`${4 * unit}`}
          />
        ))}
        {pieces.map((piece) => {
          const key = `${piece.id}/${piece.copy}`;
          const by = drag?.key === key ? drag.by : ([0, 0] as const);
          return (
            <g
              key={key}
              role="button"
              tabIndex={0}
              aria-label={`${piece.order}, ${piece.label}${pinned.has(key) ? ', pinned' : ''}`}
              transform={`translate(${by[0]} ${by[1]})`}
              className={onMove ? 'cursor-grab' : undefined}
              onPointerDown={(event) => {
                if (!onMove) return;
                event.currentTarget.setPointerCapture(event.pointerId);
                setDrag({ key, from: at(event), by: [0, 0] });
              }}
              onPointerMove={(event) => {
                if (drag?.key !== key) return;
                const [x, y] = at(event);
                setDrag({ ...drag, by: [x - drag.from[0], y - drag.from[1]] });
              }}
              onPointerUp={() => {
                if (drag?.key !== key) return;
                setDrag(undefined);
                if (Math.hypot(...drag.by) < TAP_PX * unit) onPin?.(key);
                else drop(key, drag.by);
              }}
              onPointerCancel={() => setDrag(undefined)}
              onKeyDown={(event) => {
                const step = KEYS[event.key];
                if (event.key === 'Enter' || event.key === ' ') onPin?.(key);
                else if (step) drop(key, [step[0], -step[1]]);
                else return;
                event.preventDefault();
              }}
            >
              <PieceShape piece={piece} line={line} unit={unit} isPinned={pinned.has(key)} widthMm={widthMm} />
            </g>
          );
        })}
        {flaws.map((outline, index) => (
          <path
            key={index}
            d={`${line(outline)}Z`}
            fill="var(--stop)"
            fillOpacity={0.25}
            pointerEvents="none"
            stroke="var(--stop)"
            strokeWidth={unit}
          />
        ))}
        {lengthMm > 0 && (
          <g aria-hidden>
            <line x1={lengthMm} x2={lengthMm} y1={-20} y2={widthMm + 20} stroke="var(--over)" strokeWidth={2 * unit} />
            <text
              x={lengthMm - 6 * unit}
              y={-8 * unit}
              textAnchor="end"
              fontSize={13 * unit}
              fontWeight={700}
              fill="var(--over)"
            >
              cut here · {(lengthMm / 1000).toFixed(2)} m
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}

interface PieceProps {
  readonly piece: CutPiece;
  readonly line: (points: readonly Point[]) => string;
  readonly unit: number;
  readonly isPinned: boolean;
  readonly widthMm: number;
}

function PieceShape({
  piece: { outline, cutOuts, reliefs, label, order, at, up },
  line,
  unit,
  isPinned,
  widthMm,
}: PieceProps) {
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  const room = Math.min(maxX - minX, maxY - minY) / unit;
  const letters = Math.max(2, Math.floor((maxX - minX) / unit / (LETTERS_PX * 0.56)) - 3);
  // What it is and which side of the item, a line each: the side is never cut off.
  const lines = label
    .split(', ')
    .slice(0, 2)
    .map((text) => (text.length <= letters ? text : `${text.slice(0, letters - 1)}…`));
  const isLarge = room >= LABEL_FROM_PX;
  const along = (mm: number, aside = 0): Point => [
    at[0] + mm * unit * up[0] + aside * unit * up[1],
    at[1] + mm * unit * up[1] - aside * unit * up[0],
  ];
  // The arrow stands clear of the letters, whichever way is up.
  const from = up[1] > 0.5 ? 10 : up[1] < -0.5 ? 8 + LETTERS_PX * 1.2 * lines.length : 0;
  const side = Math.abs(up[1]) <= 0.5 ? -16 * Math.sign(up[0]) : 0;
  const arrow = [
    along(from, side),
    along(from + 20, side),
    along(from + 13, side + 5),
    along(from + 20, side),
    along(from + 13, side - 5),
  ];
  return (
    <>
      <path
        d={`${line(outline)}Z`}
        fill={isPinned ? 'var(--buff)' : 'var(--tint-3)'}
        stroke="var(--ink)"
        strokeWidth={1.2 * unit}
      />
      {cutOuts.map((each, index) => (
        <path key={index} d={`${line(each)}Z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={unit} />
      ))}
      {reliefs.map((each, index) => (
        <path key={index} d={line(each)} stroke="var(--over)" strokeWidth={1.5 * unit} />
      ))}
      {isLarge && (
        <path
          d={line(arrow)}
          fill="none"
          stroke="var(--over)"
          strokeWidth={2 * unit}
          strokeLinecap="round"
          pointerEvents="none"
        />
      )}
      <text
        x={at[0]}
        y={widthMm - at[1] + 4 * unit}
        textAnchor="middle"
        fontSize={LETTERS_PX * unit}
        fill="var(--ink)"
        pointerEvents="none"
      >
        <tspan fontWeight={700}>
          {order}
          {isPinned && ' ●'}
        </tspan>
        {isLarge && ` ${lines[0]}`}
        {isLarge && lines[1] && (
          <tspan x={at[0]} dy={LETTERS_PX * 1.2 * unit}>
            {lines[1]}
          </tspan>
        )}
      </text>
    </>
  );
}
