import { api, errorText } from '../app/api';
import { useAppDispatch, useAppSelector } from '../app/store';
import { settled } from '../draft/slice';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

/** A save the server refused: someone else was first, or it would deny what was laid. Nothing is lost either way. */
export function Refused({ id }: { readonly id: string }) {
  const dispatch = useAppDispatch();
  const state = useAppSelector((root) => root.drafts[id]?.state);
  if (state?.kind !== 'refused') return null;
  const { problem } = state;
  const settle = async (keep: 'theirs' | 'mine') => {
    const { data } = await dispatch(api.endpoints.job.initiate(id, { forceRefetch: true, subscribe: false }));
    if (data) dispatch(settled({ record: data, keep }));
  };
  const stale = problem.status === 412;
  return (
    <Dialog
      open
      title={stale ? 'Changed elsewhere in the meantime' : 'This cannot be saved'}
      description={errorText({ status: problem.status, data: problem })}
      onClose={() => undefined}
    >
      {stale && (
        <ul className="list-disc pl-5 text-ink-2">
          {(problem.changed ?? []).slice(0, 8).map((path) => (
            <li key={path}>
              <code>{path}</code>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        <Button look="main" onClick={() => settle('theirs')}>
          Take what stands there
        </Button>
        {stale && <Button onClick={() => settle('mine')}>Put mine over it</Button>}
      </div>
      <p className="mt-3 text-sm text-ink-2">The other one stays one step of Undo away.</p>
    </Dialog>
  );
}
