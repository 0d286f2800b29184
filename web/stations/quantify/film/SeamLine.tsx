import { type PointerEvent, useState } from 'react';
import type { Seam } from '#core/film/blanks';

interface Props {
  readonly seam: Seam;
  /** Millimetres to a pixel. */
  readonly unit: number;
  readonly onMove: (share: number) => void;
}

/** A press of a key moves it by so much of the way across. */
const KEY_SHARE = 0.01;
const KEYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 };

/** The cut between two parts of a panel: dragged across it, or moved by the arrow keys. */
export function SeamLine({ seam: { along, share, low, across, from, to }, unit, onMove }: Props) {
  const [dragged, setDragged] = useState<number>();
  const at = dragged ?? share;
  const place = low + at * across;
  // The sheet grows downwards, blanks upwards.
  const [x1, y1, x2, y2] = along === 0 ? [from, -place, to, -place] : [place, -from, place, -to];
  const shareAt = (event: PointerEvent<SVGLineElement>) => {
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      event.currentTarget.getScreenCTM()!.inverse(),
    );
    return Math.min(1, Math.max(0, ((along === 0 ? -y : x) - low) / across));
  };
  return (
    <g>
      <line
        x1={x1}
        y1={y1}
        x2={x2}
        y2={y2}
        stroke="var(--over)"
        strokeWidth={3 * unit}
        strokeDasharray={`${8 * unit} ${4 * unit}`}
        pointerEvents="none"
      />
      <line
        x1={x1}
        y1={y1}
        x2={x2}
        y2={y2}
        role="slider"
        tabIndex={0}
        aria-label="Cut between the two parts"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(at * 100)}
        aria-valuetext={`${Math.round(at * 100)} % of the way across`}
        stroke="transparent"
        strokeWidth={24 * unit}
        className={along === 0 ? 'cursor-ns-resize' : 'cursor-ew-resize'}
        onPointerDown={(event) => {
          event.stopPropagation();
          event.currentTarget.setPointerCapture(event.pointerId);
          setDragged(shareAt(event));
        }}
        onPointerMove={(event) => {
          if (dragged !== undefined) setDragged(shareAt(event));
        }}
        onPointerUp={() => {
          if (dragged !== undefined && dragged !== share) onMove(dragged);
          setDragged(undefined);
        }}
        onPointerCancel={() => setDragged(undefined)}
        onKeyDown={(event) => {
          const step = KEYS[event.key];
          if (step === undefined) return;
          event.preventDefault();
          // The same keys walk from panel to panel on the sheet around it.
          event.stopPropagation();
          onMove(Math.min(1, Math.max(0, share + step * KEY_SHARE)));
        }}
      />
    </g>
  );
}
