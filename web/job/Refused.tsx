import { useState } from 'react';
import type { JobRecord } from '#formats/job';
import type { Clash } from '#formats/values';
import { api, errorText } from '../app/api';
import { useAppDispatch, useAppSelector } from '../app/store';
import { chosen, settled } from '../draft/slice';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

/** A save the server refused: someone else was first, or it would deny what was laid. Nothing is lost either way. */
export function Refused({ id }: { readonly id: string }) {
  const dispatch = useAppDispatch();
  const state = useAppSelector((root) => root.drafts[id]?.state);
  if (state?.kind !== 'refused') return null;
  const { problem, clashes, theirs } = state;
  if (clashes && theirs) return <Clashes key={theirs.version} id={id} clashes={clashes} />;
  const settle = async (keep: 'theirs' | 'mine') => {
    const { data } = await dispatch(api.endpoints.job.initiate({ id }, { forceRefetch: true, subscribe: false }));
    if (data) dispatch(settled({ record: data, keep }));
  };
  return (
    <Dialog
      open
      title="This cannot be saved"
      description={errorText({ status: problem.status, data: problem })}
      onClose={() => undefined}
    >
      <Button look="main" onClick={() => settle('theirs')}>
        Take what stands there
      </Button>
      <p className="mt-3 text-sm text-ink-2">What you entered stays one step of Undo away.</p>
    </Dialog>
  );
}

/** What both changed, side by side: fact by fact one of them is taken. What only one of them changed is put together. */
function Clashes({ id, clashes }: { readonly id: JobRecord['id']; readonly clashes: readonly Clash[] }) {
  const dispatch = useAppDispatch();
  const [mineAt, setMineAt] = useState<ReadonlySet<string>>(new Set());
  const take = (path: string, mine: boolean) => {
    const next = new Set(mineAt);
    if (mine) next.add(path);
    else next.delete(path);
    setMineAt(next);
  };
  return (
    <Dialog
      open
      wide
      title="Changed elsewhere in the meantime"
      description="What only one of you changed is put together. Here both did: tap which is to stand."
      onClose={() => undefined}
    >
      <ul className="divide-y border-y">
        {clashes.map(({ path, mine, theirs }) => (
          <li key={path} className="py-3">
            <p className="label break-all">{path}</p>
            <div className="mt-1 grid gap-2 sm:grid-cols-2" role="group" aria-label={path}>
              {(
                [
                  ['There', theirs, false],
                  ['Here', mine, true],
                ] as const
              ).map(([where, value, isMine]) => (
                <button
                  key={where}
                  type="button"
                  aria-pressed={mineAt.has(path) === isMine}
                  onClick={() => take(path, isMine)}
                  className="border-2 border-line p-3 text-left aria-pressed:border-over aria-pressed:bg-over-soft"
                >
                  <span className="label">{where}</span>
                  <span className="block max-h-32 overflow-auto break-words">{told(value)}</span>
                </button>
              ))}
            </div>
          </li>
        ))}
      </ul>
      <Button look="main" className="mt-4" onClick={() => dispatch(chosen({ id, mineAt: [...mineAt] }))}>
        Put it together like this
      </Button>
      <p className="mt-3 text-sm text-ink-2">What you had stays one step of Undo away.</p>
    </Dialog>
  );
}

/** A value as it is read: a word as it is, what has a name by it, all else as it is written. */
function told(value: unknown): string {
  if (value === undefined || value === null) return 'taken away';
  if (typeof value === 'object') {
    const { name } = value as { name?: unknown };
    const written = JSON.stringify(value);
    return typeof name === 'string' ? `${name}: ${written}` : written;
  }
  return String(value);
}
