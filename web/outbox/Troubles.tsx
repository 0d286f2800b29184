import { memo, useState } from 'react';
import { useJob } from '../job/job-context';
import { useAppDispatch, useAppSelector } from '../app/store';
import { useMe } from '../people/api';
import { asideOf, decided, waitingOf } from './slice';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { moment } from '../ui/moments';
import { tapInWords } from './tap-words';

/** Said until it is over: taps that have not reached the log, and taps that did not fit it. */
export const Troubles = memo(function Troubles() {
  const outbox = useAppSelector((state) => state.outbox);
  const [waiting, aside] = [waitingOf(outbox), asideOf(outbox)];
  const [isOpen, setOpen] = useState(false);
  const me = useMe();
  const isNameless = me?.accounts === true && waiting.some(({ turn }) => turn === undefined);
  const taps = (count: number) => (count === 1 ? '1 tap' : `${count} taps`);
  return (
    <>
      {outbox.unreachable !== undefined && waiting.length > 0 && (
        <p role="alert" className="shrink-0 bg-stop px-5 py-3 text-lg font-semibold text-sheet">
          Not logged yet: {taps(waiting.length)} {waiting.length === 1 ? 'waits' : 'wait'} on this device until the
          server answers. Go on working.{outbox.unreachable && ` It says: ${outbox.unreachable}`}
          {isNameless && ' Nobody was signed in when they were made: they are logged without a name.'}
        </p>
      )}
      {outbox.notKept && (
        <p role="alert" className="shrink-0 border-b-2 border-stop bg-stop-soft px-5 py-3 text-lg">
          This device keeps nothing: it has no room, or its browser forbids it. What waits is lost if this page is
          closed. Free some room, or leave the private window.
        </p>
      )}
      {aside.length > 0 && (
        <div
          role="alert"
          className="flex shrink-0 items-center gap-4 border-b-2 border-warn bg-warn-soft px-5 py-2 text-lg"
        >
          <p className="flex-1">
            {taps(aside.length)} did not fit what stands in the record. What followed went on; nothing is thrown away.
          </p>
          <Button glove onClick={() => setOpen(true)}>
            Look at {aside.length === 1 ? 'it' : 'them'}
          </Button>
        </div>
      )}
      {isOpen && aside.length > 0 && (
        <Dialog open onClose={() => setOpen(false)} title="Taps that did not fit">
          <ul className="space-y-4">
            {aside.map((tap) => (
              <AsideTap key={tap.entry.id} tap={tap} />
            ))}
          </ul>
        </Dialog>
      )}
    </>
  );
});

/** One of them: what was tapped, what stands instead, and what becomes of it. */
function AsideTap({ tap }: { readonly tap: ReturnType<typeof asideOf>[number] }) {
  const job = useJob('id', 'nameOf');
  const dispatch = useAppDispatch();
  const { id, at } = tap.entry;
  return (
    <li className="border-b pb-3 last:border-b-0">
      <p className="text-lg">
        <strong>{tapInWords(job, tap)}</strong>, {moment(at)}
      </p>
      <p className="text-ink-2">{tap.aside}</p>
      <div className="mt-2 flex flex-wrap gap-3">
        <Button glove onClick={() => dispatch(decided({ id, again: true }))}>
          Try it again
        </Button>
        <Button glove onClick={() => dispatch(decided({ id, again: false }))}>
          Let it go
        </Button>
      </div>
    </li>
  );
}
