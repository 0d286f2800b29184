import { useMemo, useRef, useState } from 'react';
import { containsPoint, type Point } from '#core/item/geometry';
import { arrange, drawnRound } from '#core/item/nets';
import type { JobView } from '../../job/useJobView';
import type { SheetTool } from '../../net/sheet-tool';

/** Pixels that a hand may tremble while it taps. */
const TREMBLE_PX = 6;

/** Drawing round panels on the sheet. A tap takes the panel under it. */
export function useLasso({ document }: Pick<JobView, 'document'>, onTaken: (ids: readonly string[]) => void) {
  const [inHand, setInHand] = useState(false);
  const [line, setLine] = useState<readonly Point[]>([]);
  // What is drawn between two paintings of the screen is not lost.
  const drawn = useRef<readonly Point[]>([]);
  const panels = useMemo(() => arrange(document).panels, [document]);
  const draw = (points: readonly Point[]) => {
    drawn.current = points;
    setLine(points);
  };
  const tool: SheetTool = {
    onPoint: (point) => draw([point]),
    onMove: (point) => {
      if (drawn.current.length > 0) draw([...drawn.current, point]);
    },
    onLift: (point, unit) => {
      const points = drawn.current;
      draw([]);
      const far = points.some(([x, y]) => Math.hypot(x - point[0], y - point[1]) > TREMBLE_PX * unit);
      const taken = far
        ? drawnRound(panels, points)
        : // What lies over another is drawn last.
          panels.filter(({ outline }) => containsPoint(outline, point)).slice(-1);
      if (taken.length > 0) onTaken(taken.map(({ id }) => id));
    },
    overlay: () =>
      line.length > 1 && (
        <polygon
          points={line.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ')}
          fill="var(--over)"
          fillOpacity={0.08}
          stroke="var(--over)"
          strokeWidth={2}
          strokeDasharray="6 4"
          strokeLinejoin="round"
          vectorEffect="non-scaling-stroke"
          pointerEvents="none"
        />
      ),
  };
  return { inHand, setInHand, tool: inHand ? tool : undefined };
}
