import { useState } from 'react';
import { onTheClock } from '#formats/values';
import { Button } from '../ui/Button';
import { DateTimeField } from '../ui/DateField';
import { fromInput, toInput } from '../ui/moments';

interface StretchProps {
  readonly startAt: string;
  readonly fromMin: number;
  readonly at: (min: number) => string;
  readonly onBlock: (from: string, to: string) => void;
}

/** It begins on a full quarter of an hour unless somebody types another moment. */
const FULL_QUARTER_MIN = 15;

/** A loss of any length. */
export function OtherStretch({ startAt, fromMin, at, onBlock }: StretchProps) {
  const [from, setFrom] = useState(() => toInput(onTheClock(at(Math.ceil(fromMin)), FULL_QUARTER_MIN)));
  const [to, setTo] = useState('');
  const [begins, ends] = [fromInput(from, startAt), to === '' ? undefined : fromInput(to, startAt)];
  const isWrong = begins !== undefined && ends !== undefined && Date.parse(ends) <= Date.parse(begins);
  return (
    <details className="mt-3">
      <summary className="cursor-pointer">Another stretch</summary>
      <div className="mt-2 grid grid-cols-2 gap-3">
        <DateTimeField label="Lost from" required value={from} onChange={setFrom} />
        <DateTimeField label="Lost until" required value={to} onChange={setTo} />
      </div>
      {isWrong && (
        <p role="alert" className="mt-1 text-stop">
          It ends before it begins. Choose a later end.
        </p>
      )}
      <Button
        className="mt-2"
        disabled={begins === undefined || ends === undefined || isWrong}
        onClick={() => {
          onBlock(begins!, ends!);
          setTo('');
        }}
      >
        Block this stretch
      </Button>
    </details>
  );
}
