import { memo, useState } from 'react';
import { faultsOf, LAYING_FAULTS, type LayingFault } from '#core/lay/faults';
import { patchKey, type RunEntry, type SheetPatch } from '#core/lay/run';
import { remediesFor } from '#job/check';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { clock } from '../../ui/moments';

interface Props {
  readonly current: SheetPatch;
  readonly onClose: () => void;
  readonly onTap: (entry: RunEntry) => void;
}

const LAST_SHOWN = 5;

/** A fault noted on a patch, and what to do about it at its age. */
export const FaultDialog = memo(function FaultDialog({ current, onClose, onTap }: Props) {
  const job = useJob('at', 'chosen', 'document', 'nameOf', 'nowMin', 'planned', 'prepared', 'record', 'sheet');
  const { sheet, chosen } = job;
  const worked = sheet.patches
    .filter(({ record }) => record !== undefined)
    .sort((a, b) => b.record!.layStartMin - a.record!.layStartMin);
  // The panel one has touched on the map comes first, then the latest.
  const offered = [
    ...worked.filter(({ patch }) => patch.surface === chosen?.id),
    ...worked.filter(({ patch }) => patch.surface !== chosen?.id),
  ].slice(0, LAST_SHOWN);
  const [picked, setPicked] = useState<string>();
  const [noted, setNoted] = useState<LayingFault>();
  const patch = offered.find(({ patch: each }) => patchKey(each) === picked) ?? (current.record ? current : offered[0]);
  const close = () => {
    setNoted(undefined);
    setPicked(undefined);
    onClose();
  };
  const nameOf = ({ patch: each, sections }: SheetPatch) =>
    sections > 1 ? `${job.nameOf(each.surface)} ${each.section}/${sections}` : job.nameOf(each.surface);
  return (
    <Dialog open onClose={close} title={noted ? LAYING_FAULTS[noted].name : 'A fault on a patch'} wide>
      {patch === undefined ? (
        <p>Nothing has been laid yet.</p>
      ) : noted ? (
        <>
          <p className="text-xl">{remedy(job, patch, noted)}</p>
          <p className="mt-2 text-ink-2">Noted on {nameOf(patch)}. It stays on the record.</p>
          <Button glove look="main" className="mt-5 w-full" onClick={close}>
            Back to work
          </Button>
        </>
      ) : (
        <>
          <p className="label">Where</p>
          <div className="mt-1 flex flex-wrap gap-2">
            {offered.map((each) => (
              <Button
                key={patchKey(each.patch)}
                glove
                aria-pressed={each === patch}
                className={each === patch ? 'border-over! bg-over-soft! font-semibold' : ''}
                onClick={() => setPicked(patchKey(each.patch))}
              >
                {nameOf(each)}
              </Button>
            ))}
          </div>
          <p className="label mt-4">What</p>
          <div className="mt-1 grid grid-cols-2 gap-2">
            {faultsOf(familyOf(job, patch)).map((fault) => (
              <Button
                key={fault}
                glove
                onClick={() => {
                  onTap({ type: 'fault', patch: patch.patch, fault });
                  setNoted(fault);
                }}
              >
                {LAYING_FAULTS[fault].name}
              </Button>
            ))}
          </div>
        </>
      )}
    </Dialog>
  );
});

const familyOf = ({ document }: Pick<JobView, 'document'>, { coat }: SheetPatch) =>
  document.products.find(({ id }) => id === coat.product)!.family;

/** What Check offers first, for one who still has the panel in hand. */
function remedy(
  {
    planned,
    record,
    sheet,
    prepared,
    nowMin,
    at,
  }: Pick<JobView, 'at' | 'nowMin' | 'planned' | 'prepared' | 'record' | 'sheet'>,
  { patch }: SheetPatch,
  fault: LayingFault,
) {
  const known = { planned, record, sheet, prepared };
  const [first] = remediesFor(known, { patch, fault }, nowMin);
  if (!first) return '';
  const until = first.untilMin === undefined ? '' : ` It can be re-wetted until ${clock(at(first.untilMin))}.`;
  return (first.never ?? first.step) + until;
}
