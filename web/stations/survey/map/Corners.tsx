import { type KeyboardEvent, type PointerEvent, useState } from 'react';
import { type Point, type Polygon, shapeOutline } from '#core/item/geometry';
import { snap } from '#core/item/nets';
import type { JobDraft, Surface } from '#formats/job';
import { outlineFault, reshape } from '#job/edit';
import { sheetPoint } from '../../../net/sheet-tool';

interface Props {
  readonly surface: Surface;
  /** Every outline on the sheet, to snap to. */
  readonly outlines: readonly Polygon[];
  readonly unit: number;
  readonly edit: (change: (draft: JobDraft) => JobDraft) => void;
  readonly onSaid: (said: string | undefined) => void;
}

const REACH_PX = 10;
const STEP_MM = 10;
/** Handles nearer than this, px, would lie on one another. */
const HANDLE_APART_PX = 14;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The corners of a panel, to be moved, added and taken away. The draft changes when a corner is let go. */
export function Corners({ surface, outlines, unit, edit, onSaid }: Props) {
  const [held, setHeld] = useState<{ readonly index: number; readonly outline: Polygon }>();
  if (surface.shape.kind !== 'polygon' || surface.count > 1) return null;
  const own = shapeOutline(surface.shape).map(([x, y]): Point => [x, -y]);
  const outline = held?.outline ?? own;
  const others = outlines.filter((other) => !isSame(other, own));
  const put = (next: Polygon) => {
    const fault = outlineFault(next);
    onSaid(fault && `Not moved: ${fault}.`);
    if (!fault) edit((draft) => reshape(draft, surface.id, next));
  };
  const withCorner = (base: Polygon, index: number, point: Point) => base.map((p, i) => (i === index ? point : p));
  const drag = (index: number, base: Polygon) => ({
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      setHeld({ index, outline: base });
    },
    onPointerMove: (event: PointerEvent<SVGElement>) => {
      if (held?.index !== index) return;
      const { point } = snap(sheetPoint(event), { outlines: others, reachMm: REACH_PX * unit });
      setHeld({ index, outline: withCorner(held.outline, index, point) });
    },
    onPointerUp: () => {
      if (held?.index !== index) return;
      put(held.outline);
      setHeld(undefined);
    },
    onPointerCancel: () => setHeld(undefined),
  });
  const onKey = (index: number) => (event: KeyboardEvent) => {
    const moved = ARROWS[event.key];
    const step = event.shiftKey ? 1 : STEP_MM;
    if (moved) put(withCorner(own, index, [own[index]![0] + moved[0] * step, own[index]![1] + moved[1] * step]));
    else if (event.key === 'Delete' || event.key === 'Backspace') put(own.filter((_, other) => other !== index));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const path = `M${outline.map((p) => p.join(' ')).join('L')}Z`;
  const shown = spacedOut(outline, HANDLE_APART_PX * unit, held?.index);
  const square = 5.5 * unit;
  return (
    <g>
      <path
        d={path}
        fill="none"
        stroke="var(--over)"
        strokeWidth={2.4}
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
      {!held &&
        outline.map((from, index) => {
          const to = outline[(index + 1) % outline.length]!;
          if (Math.hypot(to[0] - from[0], to[1] - from[1]) < 4 * HANDLE_APART_PX * unit) return null;
          const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
          const more = [...outline.slice(0, index + 1), middle, ...outline.slice(index + 1)];
          return (
            <circle
              key={`edge-${index}`}
              cx={middle[0]}
              cy={middle[1]}
              r={4 * unit}
              fill="var(--sheet)"
              stroke="var(--over)"
              strokeWidth={1.2}
              strokeDasharray="2 2"
              vectorEffect="non-scaling-stroke"
              className="cursor-copy"
              role="button"
              aria-label={`New corner after corner ${index + 1}`}
              tabIndex={0}
              onPointerDown={(event) => {
                event.stopPropagation();
                put(more);
              }}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                event.stopPropagation();
                put(more);
              }}
            />
          );
        })}
      {shown.map((index) => {
        const [x, y] = outline[index]!;
        return (
          <rect
            key={index}
            x={x - square}
            y={y - square}
            width={2 * square}
            height={2 * square}
            fill="var(--over)"
            stroke="var(--sheet)"
            strokeWidth={1.4}
            vectorEffect="non-scaling-stroke"
            className="cursor-move touch-none"
            role="button"
            tabIndex={0}
            aria-label={`Corner ${index + 1} of ${outline.length}`}
            onKeyDown={onKey(index)}
            {...drag(index, own)}
          />
        );
      })}
    </g>
  );
}

const isSame = (a: Polygon, b: Polygon) => a.length === b.length && a[0]![0] === b[0]![0] && a[0]![1] === b[0]![1];

/** Corners far enough apart to be taken hold of; of a curve only some. */
function spacedOut(outline: Polygon, apartMm: number, held: number | undefined): number[] {
  const shown: number[] = [];
  for (const [index, [x, y]] of outline.entries()) {
    const clear = shown.every((other) => Math.hypot(x - outline[other]![0], y - outline[other]![1]) >= apartMm);
    if (clear || index === held) shown.push(index);
  }
  return shown;
}
