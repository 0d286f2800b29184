import { useState } from 'react';
import type { StockRow } from '#formats/stock';
import { errorText } from '../../../app/api';
import { useNoteStock } from '../../../app/calls';
import { Part } from '../../../job/Station';
import { Button } from '../../../ui/Button';
import { NumberField } from '../../../ui/NumberField';

const FIELDS = [
  ['fromMm', 'Along, from'],
  ['toMm', 'to'],
  ['lowMm', 'Across, from'],
  ['highMm', 'to'],
] as const;
type Key = (typeof FIELDS)[number][0];

/** A place of the roll that is not to be cut from: it is nested round. */
export function MarkFlaw({ thing }: { readonly thing: Pick<StockRow, 'id' | 'flaws'> }) {
  const [values, setValues] = useState<Partial<Record<Key, number>>>({});
  const [note, { error }] = useNoteStock();
  const { fromMm, toMm, lowMm, highMm } = values;
  const isWhole = fromMm !== undefined && toMm !== undefined && lowMm !== undefined && highMm !== undefined;
  return (
    <Part title={`Flaws on this roll: ${thing.flaws?.length ?? 0}`}>
      <div className="grid grid-cols-4 gap-2">
        {FIELDS.map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            unit="mm"
            optional
            value={values[key]}
            check={(value) => (value >= 0 ? undefined : 'zero or more')}
            onChange={(value) => setValues((before) => ({ ...before, [key]: value }))}
          />
        ))}
      </div>
      <div className="mt-2">
        <Button
          disabled={!isWhole}
          onClick={() => {
            if (!isWhole) return;
            void note({ type: 'flawed', thing: thing.id, fromMm, toMm, lowMm, highMm });
          }}
        >
          Mark it
        </Button>
      </div>
      {error && (
        <p role="alert" className="mt-2 text-[14px] text-stop">
          {errorText(error)}
        </p>
      )}
      <p className="mt-1 text-[13px] text-ink-2">From the roll’s free end as it is now, and from its lower edge.</p>
    </Part>
  );
}
