import { Download, Save } from 'lucide-react';
import { useState } from 'react';
import type { KeptCopies } from '#formats/people';
import { addressOf } from '../../app/address-of';
import { problemOf } from '../../app/api';
import { useBackupsQuery, useMakeBackupMutation, useRestoreBackupMutation } from '../../people/api';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { moment } from '../../ui/moments';
import { WorkshopPage } from './WorkshopPage';
import { Fault } from '../../ui/Fault';

/** While a copy is put back the server is asked again so often, ms. */
const ASKED_MS = 1500;
type Copy = KeptCopies['copies'][number];

/** Copies of the workshop: made each day, checked, fetched, put back. */
export function Component() {
  const [putting, setPutting] = useState(false);
  const { data, error } = useBackupsQuery(undefined, { pollingInterval: putting ? ASKED_MS : 0 });
  const [make, { error: notMade, isLoading }] = useMakeBackupMutation();
  const [chosen, setChosen] = useState<Copy>();
  const last = data?.putBack;
  const closed = problemOf(error)?.type === '/problems/closed';
  return (
    <WorkshopPage error={notMade ?? (closed ? undefined : error)}>
      <div className="mt-5 flex items-end justify-between gap-4">
        <p className="max-w-prose text-ink-2">
          One a day by itself: the last of seven days, five weeks, twelve months is kept. Each was opened and checked
          when it was made. They lie beside the workshop on the same disk: fetch one now and then to a stick that is
          kept elsewhere.
        </p>
        <Button look="main" disabled={isLoading} onClick={() => void make()}>
          <Save size={17} /> {isLoading ? 'Copying …' : 'Copy it now'}
        </Button>
      </div>
      {closed && <p className="mt-4 border-l-4 border-warn bg-warn-soft px-4 py-3">A copy is being put back …</p>}
      {last && (
        <p className={`mt-4 border-l-4 px-4 py-3 ${last.isDone ? 'border-ok bg-ok-soft' : 'border-stop bg-stop-soft'}`}>
          {moment(last.at)}: {last.said}
        </p>
      )}
      {data?.copies.length === 0 ? (
        <p className="mt-4 border bg-sheet p-5 text-ink-2">None yet.</p>
      ) : (
        <ul className="mt-4 divide-y border-y border-line-strong bg-sheet">
          {data?.copies.map((copy) => (
            <li key={copy.name} className="flex flex-wrap items-center gap-x-6 gap-y-1 px-4 py-2.5">
              <span className="min-w-0 flex-1">
                <strong className="text-lg">{moment(copy.at)}</strong>
                <span className="block text-[13px] break-all text-ink-2">{copy.name}</span>
              </span>
              <span className="figure">{megabytes(copy.bytes)}</span>
              <a
                className="inline-flex min-h-9.5 items-center gap-2 border border-line-strong px-3.5 hover:bg-tint-1"
                href={addressOf('backupFile', { id: copy.name })}
                download={copy.name}
              >
                <Download size={16} /> Fetch
              </a>
              <Button onClick={() => setChosen(copy)} aria-label={`Put back the copy of ${moment(copy.at)}`}>
                Put back
              </Button>
            </li>
          ))}
        </ul>
      )}
      {data && data.folder !== '' && (
        <p className="mt-3 text-[13px] break-all text-ink-2">
          In {data.folder}. A copy from elsewhere is put there under its own name, and stands in this list.
        </p>
      )}
      <Dialog open={chosen !== undefined} onClose={() => setChosen(undefined)} title="Put this copy back?">
        {chosen && (
          <PutBack
            copy={chosen}
            onBegun={() => {
              setPutting(true);
              setChosen(undefined);
            }}
          />
        )}
      </Dialog>
    </WorkshopPage>
  );
}

function PutBack({ copy, onBegun }: { readonly copy: Copy; readonly onBegun: () => void }) {
  const [putBack, { error, isLoading }] = useRestoreBackupMutation();
  const isNewer = problemOf(error)?.status === 409;
  const send = async (overNewer: boolean) => {
    if ((await putBack({ id: copy.name, body: { overNewer } })).data) onBegun();
  };
  return (
    <div className="space-y-4">
      <p>
        The workshop becomes what it was {moment(copy.at)}. What stands there now is moved aside whole and stays on the
        server’s disk. It closes for a moment, and everybody has to come in again.
      </p>
      <Fault error={error} />
      <Button look="danger" disabled={isLoading} onClick={() => void send(isNewer)}>
        {isNewer ? 'Put it over what is newer' : 'Put it back'}
      </Button>
    </div>
  );
}

const megabytes = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
