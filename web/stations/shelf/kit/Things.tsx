import { Droplets, Plus, RotateCcw, Wind } from 'lucide-react';
import { useState } from 'react';
import {
  type LiquidSheet,
  type MachineSheet,
  machineState,
  type MachineThing,
  PADS_FOR,
  type PadSheet,
  padState,
  type PadState,
  type PadThing,
} from '#core/work/kit';
import type { KitEntry, KitRecord } from '#formats/shelf';
import { instantAfter } from '#formats/values';
import { errorText, useRemoveKitMutation, useSaveKitMutation } from '../../../app/api';
import { Button } from '../../../ui/Button';
import { ConfirmButton } from '../../../ui/ConfirmButton';
import { Dialog } from '../../../ui/Dialog';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { clock, instantOf } from '../../../ui/moments';
import { useNow } from '../../../ui/useNow';

const RENEW_MS = 30_000;
const MIN_PER_H = 60;
type PadEntry = Extract<KitEntry, { kind: 'pad-in-use' }>;
type MachineEntry = Extract<KitEntry, { kind: 'machine-in-use' }>;

const STATE_LOOKS: Readonly<Record<PadState, { name: string; edge: string }>> = {
  ready: { name: 'Ready', edge: 'border-l-ok' },
  dirty: { name: 'Dirty', edge: 'border-l-stop' },
  drying: { name: 'Drying', edge: 'border-l-warn' },
};
/** What one tap makes of a pad. */
const NEXT: Readonly<Record<PadState, { to: PadState; does: string; Icon: typeof Wind }>> = {
  ready: { to: 'dirty', does: 'Used', Icon: RotateCcw },
  dirty: { to: 'drying', does: 'Washed', Icon: Droplets },
  drying: { to: 'ready', does: 'Dry', Icon: Wind },
};

interface Props {
  readonly records: readonly KitRecord[];
  readonly pads: readonly PadSheet[];
  readonly machines: readonly MachineSheet[];
  readonly liquids: readonly LiquidSheet[];
}

/** Pads and machines as they lie in the workshop: one tap says what has just become of each. */
export function Things({ records, pads, machines, liquids }: Props) {
  const nowMs = useNow(RENEW_MS);
  const [save, saving] = useSaveKitMutation();
  const [adding, setAdding] = useState<'pad' | 'machine'>();
  const [opened, setOpened] = useState<string>();
  const put = ({ version }: Pick<KitRecord, 'version'>, entry: KitEntry) => void save({ version, entry });
  const sheetOf = new Map(pads.map((pad) => [pad.id, pad]));
  const padRecords = records.flatMap((record) =>
    record.entry.kind === 'pad-in-use' ? [{ ...record, entry: record.entry }] : [],
  );
  const machineRecords = records.flatMap((record) =>
    record.entry.kind === 'machine-in-use' ? [{ ...record, entry: record.entry }] : [],
  );
  const groups = [...liquids.map(({ id, name }) => [id, name] as const), [undefined, 'New: of no liquid yet'] as const];
  const opening = records.find(({ id }) => id === opened);
  return (
    <>
      {saving.error && (
        <p role="alert" className="mb-3 border-l-4 border-stop bg-stop-soft px-3 py-2">
          {errorText(saving.error)}
        </p>
      )}
      <div className="flex items-center justify-between">
        <h2 className="text-lg font-semibold">Pads, by their liquid</h2>
        <Button onClick={() => setAdding('pad')} disabled={pads.length === 0}>
          <Plus size={16} /> A pad
        </Button>
      </div>
      {padRecords.length === 0 && (
        <p className="text-ink-2">No pads are noted: the plan cannot tell whether they will do.</p>
      )}
      {groups.map(([liquid, name]) => {
        const own = padRecords.filter(({ entry }) => entry.liquid === liquid);
        if (own.length === 0) return null;
        return (
          <section key={name} aria-label={name} className="mt-3">
            <h3 className="label">{name}</h3>
            <ul className="mt-1 grid grid-cols-2 gap-2 sm:grid-cols-3">
              {own.map((record) => (
                <PadTile
                  key={record.id}
                  pad={record.entry}
                  sheet={sheetOf.get(record.entry.sheet)}
                  nowMs={nowMs}
                  onState={(state) => put(record, { ...record.entry, state, since: instantOf(nowMs) })}
                  onOpen={() => setOpened(record.id)}
                />
              ))}
            </ul>
          </section>
        );
      })}
      <div className="mt-6 flex items-center justify-between">
        <h2 className="text-lg font-semibold">Machines</h2>
        <Button onClick={() => setAdding('machine')} disabled={machines.length === 0}>
          <Plus size={16} /> A machine
        </Button>
      </div>
      <ul className="mt-1 grid grid-cols-1 gap-2 sm:grid-cols-2">
        {machineRecords.map((record) => (
          <MachineTile
            key={record.id}
            entry={record.entry}
            sheet={machines.find(({ id }) => id === record.entry.sheet)}
            nowMs={nowMs}
            onChange={(entry) => put(record, entry)}
            onOpen={() => setOpened(record.id)}
          />
        ))}
      </ul>
      {adding === 'pad' && (
        <NewPad
          pads={pads}
          liquids={liquids}
          taken={records.map(({ id }) => id)}
          nowMs={nowMs}
          onClose={() => setAdding(undefined)}
          onAdd={(entry) => put({ version: 0 }, entry)}
        />
      )}
      {adding === 'machine' && (
        <NewMachine
          machines={machines}
          taken={records.map(({ id }) => id)}
          onClose={() => setAdding(undefined)}
          onAdd={(entry) => put({ version: 0 }, entry)}
        />
      )}
      {opening && <Away record={opening} onClose={() => setOpened(undefined)} />}
    </>
  );
}

interface PadTileProps {
  readonly pad: PadEntry;
  readonly sheet: PadSheet | undefined;
  readonly nowMs: number;
  readonly onState: (state: PadState) => void;
  readonly onOpen: () => void;
}

function PadTile({ pad, sheet, nowMs, onState, onOpen }: PadTileProps) {
  if (!sheet) return null;
  const thing: PadThing = { ...pad, sinceMs: Date.parse(pad.since) };
  const state = padState(thing, sheet, nowMs);
  const { name, edge } = STATE_LOOKS[state];
  const { to, does, Icon } = NEXT[state];
  return (
    <li className={`flex flex-col border border-l-6 bg-sheet p-2.5 ${edge}`} aria-label={`Pad ${pad.id}`}>
      <button type="button" className="text-left" onClick={onOpen}>
        <span className="figure text-xl">{pad.id}</span> <span className="text-[13.5px] text-ink-2">{sheet.name}</span>
      </button>
      <span className="mb-1.5 text-[14px]">
        {name}
        {state === 'drying' && (
          <span className="text-ink-2"> until {clock(instantAfter(pad.since, MIN_PER_H * sheet.driesH))}</span>
        )}
      </span>
      <Button onClick={() => onState(to)} aria-label={`${does}: pad ${pad.id}`} className="min-h-11">
        <Icon size={16} /> {does}
      </Button>
    </li>
  );
}

interface MachineTileProps {
  readonly entry: MachineEntry;
  readonly sheet: MachineSheet | undefined;
  readonly nowMs: number;
  readonly onChange: (entry: MachineEntry) => void;
  readonly onOpen: () => void;
}

function MachineTile({ entry, sheet, nowMs, onChange, onOpen }: MachineTileProps) {
  if (!sheet) return null;
  const { servicedOn, ...rest } = entry;
  const thing: MachineThing = { ...rest, ...(servicedOn && { servicedMs: Date.parse(servicedOn) }) };
  const { leftMin, overdueDays } = machineState(thing, sheet, nowMs);
  const overdue = overdueDays !== undefined;
  return (
    <li
      className={`border border-l-6 bg-sheet p-3 ${overdue ? 'border-l-warn' : 'border-l-ok'}`}
      aria-label={`Machine ${entry.id}`}
    >
      <button type="button" className="text-left" onClick={onOpen}>
        <strong>{sheet.name}</strong> <span className="text-[13.5px] text-ink-2">{entry.id}</span>
      </button>
      {leftMin !== undefined && <p className="text-[14px]">{Math.round(leftMin)} min left in its battery.</p>}
      {overdue && (
        <p className="text-[14px] font-semibold text-warn">
          Its service was due {overdueDays === 0 ? 'today' : `${overdueDays} days ago`}.
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-end gap-2">
        {sheet.drive === 'battery' && (
          <div className="w-32 shrink-0">
            <NumberField
              optional
              label="Battery"
              unit="%"
              value={entry.chargePct}
              check={(value) => (value >= 0 && value <= 100 ? undefined : '0 to 100 %')}
              onChange={(chargePct) => onChange({ ...entry, chargePct })}
            />
          </div>
        )}
        <Button onClick={() => onChange({ ...entry, servicedOn: instantOf(nowMs).slice(0, 10) })}>
          Serviced today
        </Button>
      </div>
    </li>
  );
}

/** The next free short name: a letter and a number, as written on the thing itself. */
function freeId(letter: string, taken: readonly string[]): string {
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

function NewPad({ pads, liquids, taken, nowMs, onAdd, onClose }: NewPadProps) {
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
            id: freeId(sheet.charAt(0), taken),
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

function NewMachine({ machines, taken, onAdd, onClose }: NewMachineProps) {
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
          onAdd({ kind: 'machine-in-use', id: freeId(`${sheet}-`, taken), sheet });
          onClose();
        }}
      >
        Add it
      </Button>
    </Dialog>
  );
}

/** Taking a worn pad or a machine away. */
function Away({ record, onClose }: { readonly record: KitRecord; readonly onClose: () => void }) {
  const [remove, { error }] = useRemoveKitMutation();
  const { id, version } = record;
  return (
    <Dialog title={id} open onClose={onClose}>
      {error && (
        <p role="alert" className="mb-3 border-l-4 border-stop bg-stop-soft px-3 py-2">
          {errorText(error)}
        </p>
      )}
      <ConfirmButton
        action="Take it away"
        consequence="Worn out or gone: it is counted no more."
        onConfirm={() => void remove({ id, version }).then((done) => !done.error && onClose())}
      />
    </Dialog>
  );
}
