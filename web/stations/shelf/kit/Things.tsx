import { Plus } from 'lucide-react';
import { useState } from 'react';
import type { LiquidSheet, MachineSheet, PadSheet } from '#core/prepare/kit';
import type { KitEntry, KitRecord } from '#formats/shelf';
import { errorText, useSaveKitMutation } from '../../../app/api';
import { Button } from '../../../ui/Button';
import { instantOf } from '../../../ui/moments';
import { useNow } from '../../../ui/useNow';
import { Away } from './Away';
import { MachineTile } from './MachineTile';
import { NewMachine, NewPad } from './NewThings';
import { PadTile } from './PadTile';

const RENEW_MS = 30_000;

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
  const put = ({ version }: Pick<KitRecord, 'version'>, entry: KitEntry) =>
    void save({ id: entry.id, version, body: entry });
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
