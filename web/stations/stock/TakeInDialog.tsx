import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { type StockKind, type StockUnit, SUPPLIES, SUPPLY_IDS } from '#core/stock';
import { kitOf } from '#formats/shelf';
import type { BoughtThingInput } from '#formats/stock';
import { errorText, useKitQuery, useProductsQuery, useTakeStockInMutation } from '../../app/api';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/DateField';
import { Dialog } from '../../ui/Dialog';
import { NumberField } from '../../ui/NumberField';
import { SelectField } from '../../ui/SelectField';
import { TextField } from '../../ui/TextField';
import { UNIT_SHOWN } from '../../material/stock-words';

/** What a thing is counted in: as its sheet says; pads by the piece, clay by weight, all else of the preparation shelf poured. */
function unitOf(kind: StockKind, of: string, sheet: StockUnit | undefined, kit: string | undefined): StockUnit {
  if (kind === 'supply') return SUPPLIES[of as keyof typeof SUPPLIES].unit;
  if (kind === 'product') return sheet ?? 'ml';
  if (kit === 'clay') return 'g';
  return kit === 'pad' || kit === 'machine' || kit === 'lamp' ? '' : 'ml';
}

/** What was delivered: so many of one kind, each a thing of its own from here on. */
export function TakeInDialog({ onClose }: { readonly onClose: () => void }) {
  const { data: products = [] } = useProductsQuery();
  const { data: kit = [] } = useKitQuery();
  const sheets = kitOf(kit.map(({ entry }) => entry)).sheets;
  const [takeIn, { error, isLoading }] = useTakeStockInMutation();
  const options: [string, string][] = [
    ...products.map(({ id, sheet }): [string, string] => [`product/${id}`, sheet.name]),
    ...sheets.map(({ id, name }): [string, string] => [`kit/${id}`, name]),
    ...SUPPLY_IDS.map((id): [string, string] => [`supply/${id}`, SUPPLIES[id].name]),
  ];
  const [chosen, setChosen] = useState<string>();
  const what = chosen ?? options[0]?.[0] ?? 'supply/gloves';
  const [kind, of] = what.split(/\/(.*)/s) as [StockKind, string];
  const sheet = kind === 'product' ? products.find(({ id }) => id === of)?.sheet : undefined;
  const unit = unitOf(kind, of, sheet?.unit, sheets.find(({ id }) => id === of)?.kind);
  const pack = sheet?.packs[0];
  const [count, setCount] = useState(1);
  const [size, setSize] = useState<number>();
  const [paid, setPaid] = useState<number>();
  const [batch, setBatch] = useState('');
  const [place, setPlace] = useState('');
  const [useBy, setUseBy] = useState('');
  const [rollMm, setRollMm] = useState<number>();
  const roll = rollMm ?? Math.max(...(sheet?.film?.rollWidthsMm ?? [1524]));
  const holds = size ?? pack?.size ?? 1;
  const costs = paid ?? (size === undefined || size === pack?.size ? pack?.price : undefined);
  const take = async () => {
    const as: BoughtThingInput = {
      kind,
      of,
      size: holds,
      unit,
      ...(batch && { batch }),
      ...(place && { place }),
      ...(costs !== undefined && { paid: costs }),
      ...(useBy && { useBy }),
      ...(sheet?.family === 'film' && { rollMm: roll }),
    };
    const { data } = await takeIn({
      body: { things: Array.from({ length: count }, () => ({ id: nanoid(10), ...as })) },
    });
    if (data) onClose();
  };
  return (
    <Dialog
      title="Take in"
      description="Each becomes a thing of its own, with a label to print."
      open
      onClose={onClose}
    >
      <div className="space-y-3">
        <SelectField
          label="What it is"
          value={what}
          options={options}
          onChange={(next) => {
            setChosen(next);
            setSize(undefined);
            setPaid(undefined);
          }}
        />
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            label="How many"
            value={count}
            check={(value) => (Number.isInteger(value) && value >= 1 && value <= 200 ? undefined : '1 to 200')}
            onChange={(value) => setCount(value ?? 1)}
          />
          <NumberField
            label="Each holds"
            unit={UNIT_SHOWN[unit]}
            value={holds}
            check={(value) => (value > 0 ? undefined : 'more than nothing')}
            onChange={setSize}
          />
          <NumberField
            optional
            label="Paid for each"
            value={costs === undefined ? undefined : costs / 100}
            check={(value) => (value >= 0 ? undefined : 'zero or more')}
            onChange={(value) => setPaid(value === undefined ? undefined : Math.round(value * 100))}
          />
          {sheet?.family === 'film' && (
            <NumberField
              label="Roll width"
              unit="mm"
              value={roll}
              check={(value) => (value > 0 ? undefined : 'more than nothing')}
              onChange={setRollMm}
            />
          )}
          <TextField label="Batch" value={batch} onChange={setBatch} />
          <TextField label="Place" value={place} onChange={setPlace} />
          <DateField label="Use by, as printed" value={useBy} onChange={setUseBy} />
        </div>
        {error && (
          <p role="alert" className="text-[14px] text-stop">
            {errorText(error)}
          </p>
        )}
        <Button look="main" className="w-full" disabled={isLoading} onClick={() => void take()}>
          Take {count === 1 ? 'it' : `${count} of them`} in
        </Button>
      </div>
    </Dialog>
  );
}
