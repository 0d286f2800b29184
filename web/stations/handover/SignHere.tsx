import { Eraser } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import SignaturePad from 'signature_pad';
import { Button } from '../../ui/Button';

interface Props {
  readonly onSigned: (strokes: number[][]) => void;
}

/** More points draw no better a name. */
const MOST_POINTS = 900;

/** A box to sign in, by finger, pen or mouse. What is signed is told as strokes: shares of the box, across and down in turn. */
export function SignHere({ onSigned }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad>(null);
  const [isEmpty, setIsEmpty] = useState(true);
  const latest = useRef(onSigned);
  useEffect(() => {
    latest.current = onSigned;
  }, [onSigned]);
  useEffect(() => {
    const drawn = canvas.current!;
    const { width, height } = drawn.getBoundingClientRect();
    const scale = Math.max(1, devicePixelRatio);
    drawn.width = width * scale;
    drawn.height = height * scale;
    drawn.getContext('2d')?.scale(scale, scale);
    const own = new SignaturePad(drawn, { penColor: getComputedStyle(drawn).color, minWidth: 1, maxWidth: 2.6 });
    pad.current = own;
    const told = () => {
      setIsEmpty(own.isEmpty());
      const share = (value: number, whole: number) => Math.round(1e4 * Math.min(1, Math.max(0, value / whole))) / 1e4;
      latest.current(
        own
          .toData()
          .map(({ points }) => points.slice(0, MOST_POINTS).flatMap(({ x, y }) => [share(x, width), share(y, height)])),
      );
    };
    own.addEventListener('endStroke', told);
    return () => {
      own.removeEventListener('endStroke', told);
      own.off();
    };
  }, []);
  return (
    <div>
      <canvas
        ref={canvas}
        aria-label="Sign here"
        role="img"
        className="h-36 w-full touch-none border-2 border-line-strong bg-sheet text-ink"
      />
      <Button
        look="quiet"
        className="mt-1"
        disabled={isEmpty}
        onClick={() => {
          pad.current?.clear();
          setIsEmpty(true);
          onSigned([]);
        }}
      >
        <Eraser size={18} /> Sign again
      </Button>
    </div>
  );
}

/** What was signed, as it was drawn. */
export function Signed({ strokes, by }: { readonly strokes: readonly (readonly number[])[]; readonly by: string }) {
  return (
    <svg viewBox="0 0 100 36" className="h-28 w-full border bg-sheet" role="img" aria-label={`Signature of ${by}`}>
      {strokes.map((stroke, nth) => (
        <polyline
          key={nth}
          points={pairs(stroke)
            .map(([x, y]) => `${100 * x},${36 * y}`)
            .join(' ')}
          fill="none"
          stroke="currentColor"
          strokeWidth={0.7}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}

const pairs = (stroke: readonly number[]): [number, number][] =>
  Array.from({ length: stroke.length >> 1 }, (_, nth) => [stroke[2 * nth]!, stroke[2 * nth + 1]!]);
