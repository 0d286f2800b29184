import { useState } from 'react';
import { type LiquidSheet, type MachineSheet, PADS_FOR, type PadSheet } from '#core/prepare/kit';
import type { KitEntry } from '#formats/shelf';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { SelectField } from '../../../ui/SelectField';
import { instantOf } from '../../../ui/moments';

/** The next free short name: a letter and a number, as written on the thing itself. */
function nextThingId(letter: string, taken: readonly string[]): string {
  let number = 1;
  while (taken.includes(`${letter}${number}`)) number++;
  return `${letter}${number}`;
}

interface NewPadProps {
  readonly pads: readonly PadSheet[];
  readonly liquids: readonly LiquidSheet[];
  readonly taken: readonly string[];
  readonly nowMs: number;
  readonly onAdd: (entry: KitEntry) => void;
  readonly onClose: () => void;
}

export function NewPad({ pads, liquids, taken, nowMs, onAdd, onClose }: NewPadProps) {
  const [sheet, setSheet] = useState(pads[0]!.id);
  const [liquid, setLiquid] = useState('');
  const material = pads.find(({ id }) => id === sheet)!.material;
  const suiting = liquids.filter(({ grade }) => PADS_FOR[grade].includes(material));
  return (
    <Dialog
      title="A pad"
      description="Mark it with its name: it belongs to one liquid for good."
      open
      onClose={onClose}
    >
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label="Kind"
          value={sheet}
          options={pads.map(({ id, name }) => [id, name] as const)}
          onChange={setSheet}
        />
        <SelectField
          label="Liquid"
          value={liquid}
          options={[['', 'none yet'], ...suiting.map(({ id, name }) => [id, name] as const)]}
          onChange={setLiquid}
        />
      </div>
      <Button
        look="main"
        className="mt-4"
        onClick={() => {
          const since = instantOf(nowMs);
          onAdd({
            kind: 'pad-in-use',
            id: nextThingId(sheet.charAt(0), taken),
            sheet,
            state: 'ready',
            since,
            ...(liquid && { liquid }),
          });
          onClose();
        }}
      >
        Add it
      </Button>
    </Dialog>
  );
}

interface NewMachineProps extends Omit<NewPadProps, 'pads' | 'liquids' | 'nowMs'> {
  readonly machines: readonly MachineSheet[];
}

export function NewMachine({ machines, taken, onAdd, onClose }: NewMachineProps) {
  const [sheet, setSheet] = useState(machines[0]!.id);
  return (
    <Dialog title="A machine" open onClose={onClose}>
      <SelectField
        label="Kind"
        value={sheet}
        options={machines.map(({ id, name }) => [id, name] as const)}
        onChange={setSheet}
      />
      <Button
        look="main"
        className="mt-4"
        onClick={() => {
          onAdd({ kind: 'machine-in-use', id: nextThingId(`${sheet}-`, taken), sheet });
          onClose();
        }}
      >
        Add it
      </Button>
    </Dialog>
  );
}
