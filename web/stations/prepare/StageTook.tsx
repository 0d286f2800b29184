import { useState } from 'react';
import { type PrepStage, stageKey, type StageRecord, usesOf } from '#core/prepare/stages';
import { STEP_KINDS } from '#core/prepare/steps';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { NumberField } from '../../ui/NumberField';
import { useTap } from '../../bay/useTap';

interface Props {
  readonly stage: PrepStage;
  readonly record: StageRecord;
}

/** What a stage really used and what was found while at it: on the record, and the next plan learns from it. */
export function StageTook({ stage, record }: Props) {
  const job = useJob('id', 'prepared');
  const [open, setOpen] = useState(false);
  const { tap } = useTap(job.id);
  const [found, setFound] = useState('');
  const ref = { kind: stage.kind, round: stage.round };
  const planned = plannedUses(stage, job.prepared.settings.learnedUse);
  const used = new Map(record.used.map((use) => [use.what, use.amount]));
  return (
    <>
      <button type="button" className="text-[13px] text-ink-2 underline" onClick={() => setOpen(true)}>
        {record.used.length > 0 || record.found.length > 0 ? 'What it took' : 'Note what it took'}
      </button>
      <Dialog
        title={`${STEP_KINDS[stage.kind].name}: what it took`}
        description="The next plan learns from it."
        open={open}
        onClose={() => setOpen(false)}
      >
        <div className="grid grid-cols-2 gap-3">
          {planned.map(({ what, unit, amount, predicted }) => (
            <NumberField
              key={`${stageKey(ref)} ${what}`}
              optional
              label={what}
              unit={unit || 'pieces'}
              hint={`planned ${round(amount)}`}
              value={used.get(what)}
              check={(value) =>
                value > 0 && value <= 100 * predicted + 100 ? undefined : 'more than 0, and not a slip of unit'
              }
              onChange={(value) =>
                value !== undefined && tap({ type: 'stage-used', stage: ref, what, unit, predicted, amount: value })
              }
            />
          ))}
          {planned.length === 0 && <p className="col-span-2 text-ink-2">Nothing is used up at this stage.</p>}
        </div>
        {record.found.length > 0 && (
          <ul className="mt-3 text-[14px]">
            {record.found.map((note) => (
              <li key={note} className="border-t py-1 first:border-t-0">
                {note}
              </li>
            ))}
          </ul>
        )}
        <div className="mt-3 flex items-end gap-2">
          <label className="flex-1">
            <span className="label block">Found while at it</span>
            <input className="field" value={found} onChange={({ target }) => setFound(target.value)} />
          </label>
          <Button
            disabled={found.trim() === ''}
            onClick={() => {
              tap({ type: 'stage-found', stage: ref, note: found.trim() });
              setFound('');
            }}
          >
            Note it
          </Button>
        </div>
      </Dialog>
    </>
  );
}

const round = (amount: number) => (amount < 10 ? amount.toFixed(1) : amount.toFixed(0));

/** What the stage is planned to use, and the same before anything was learned. */
const plannedUses = ({ steps }: PrepStage, learned: ReadonlyMap<string, number> | undefined) =>
  usesOf(steps).map((use) => ({ ...use, predicted: use.amount / (learned?.get(use.what) ?? 1) }));
