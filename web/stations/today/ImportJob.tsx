import { nanoid } from '@reduxjs/toolkit';
import { useId, useState } from 'react';
import { useNavigate } from 'react-router';
import { readJob } from '#formats/job';
import { type Fault, FaultsError, parseJson } from '#formats/values';
import { errorText } from '../../app/api';
import { useMakeJob } from '../../app/calls';
import { Dialog } from '../../ui/Dialog';

const MOST_SHOWN = 12;

/** Takes in a `glaphyra.job/1` file; every fault of a bad one is told with its place, and nothing is kept of it. */
export default function ImportJob({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [makeJob, { isLoading }] = useMakeJob();
  const navigate = useNavigate();
  const id = useId();

  const take = async (file: File) => {
    setFaults([]);
    try {
      const read = readJob(parseJson(await file.text()));
      // An item without a name of its own for its visits gets one; with one, it joins its history.
      const document = { ...read, item: { id: nanoid(12), name: read.title, ...read.item } };
      const job = await makeJob({ document, bayId: null, airSource: 'typed' }).unwrap();
      onClose();
      await navigate(`/jobs/${job.id}/survey`);
    } catch (error) {
      setFaults(error instanceof FaultsError ? error.faults : [{ path: '', message: errorText(error) }]);
    }
  };
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Import a job file"
      description="A file in the format glaphyra.job/1, as exported here or written by hand."
    >
      <label htmlFor={id} className="label block">
        File
      </label>
      <input
        id={id}
        type="file"
        accept=".json,application/json"
        disabled={isLoading}
        className="field py-2 file:mr-3 file:border-0 file:bg-tint-2 file:px-3 file:py-1 file:text-ink"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) void take(file);
          target.value = '';
        }}
      />
      {faults.length > 0 && (
        <div role="alert" className="mt-4 border-l-4 border-stop bg-stop-soft px-4 py-3">
          <p className="font-semibold">
            Nothing was taken in. {faults.length === 1 ? 'One thing is wrong' : `${faults.length} things are wrong`}:
          </p>
          <ul className="mt-1 max-h-72 overflow-auto text-sm">
            {faults.slice(0, MOST_SHOWN).map(({ path, message }) => (
              <li key={`${path} ${message}`} className="mt-1">
                {path && <code className="font-semibold">{path}</code>} {message}
              </li>
            ))}
            {faults.length > MOST_SHOWN && <li className="mt-1">and {faults.length - MOST_SHOWN} more</li>}
          </ul>
        </div>
      )}
    </Dialog>
  );
}
