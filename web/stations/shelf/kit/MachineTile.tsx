import { type MachineSheet, machineState, type MachineThing } from '#core/prepare/kit';
import type { KitEntry } from '#formats/shelf';
import { Button } from '../../../ui/Button';
import { NumberField } from '../../../ui/NumberField';
import { instantOf } from '../../../ui/moments';

export const MIN_PER_H = 60;

type MachineEntry = Extract<KitEntry, { kind: 'machine-in-use' }>;

interface MachineTileProps {
  readonly entry: MachineEntry;
  readonly sheet: MachineSheet | undefined;
  readonly nowMs: number;
  readonly onChange: (entry: MachineEntry) => void;
  readonly onOpen: () => void;
}

export function MachineTile({ entry, sheet, nowMs, onChange, onOpen }: MachineTileProps) {
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
