import { TabletSmartphone } from 'lucide-react';
import { useState } from 'react';
import { errorText } from '../../app/api';
import {
  useCutTabletMutation,
  useNetworkQuery,
  useSwitchNetworkMutation,
  useTabletsQuery,
  useMe,
} from '../../people/api';
import { Button } from '../../ui/Button';
import { ConfirmButton } from '../../ui/ConfirmButton';
import { Dialog } from '../../ui/Dialog';
import { day, moment } from '../../ui/moments';
import { PairingCode } from './PairingCode';
import { WorkshopPage } from './WorkshopPage';
import { Fault } from '../../ui/Fault';

/** The door to the workshop's network, and the devices that were let in by it. */
export function Component() {
  const { data: tablets = [], error } = useTabletsQuery();
  const [pairing, setPairing] = useState(false);
  const [cutOff, { error: cutError }] = useCutTabletMutation();
  const here = tablets.filter(({ cutAt }) => cutAt === null);
  const cut = tablets.filter(({ cutAt }) => cutAt !== null);
  return (
    <WorkshopPage error={error ?? cutError}>
      <Door />
      <div className="mt-8 flex items-end gap-4">
        <h2 className="label flex-1">Devices of the shop</h2>
        <Button look="main" onClick={() => setPairing(true)}>
          <TabletSmartphone size={17} /> Pair a device
        </Button>
      </div>
      {here.length === 0 ? (
        <p className="mt-2 border bg-sheet p-5 text-ink-2">
          None yet. A tablet in the bay is paired once; from then on whoever works at it taps their name and PIN.
        </p>
      ) : (
        <ul className="mt-2 divide-y border-y border-line-strong bg-sheet">
          {here.map(({ id, name, pairedAt, seenAt }) => (
            <li key={id} className="flex flex-wrap items-center gap-x-6 gap-y-1 px-4 py-3">
              <span className="min-w-0 flex-1 text-lg font-semibold break-words">{name}</span>
              <span className="text-[14px] text-ink-2">
                paired {day(pairedAt)}, {seenAt ? `seen ${moment(seenAt)}` : 'not seen since'}
              </span>
              <ConfirmButton
                action={`Cut off ${name}`}
                consequence="It is let in no more, whoever is at it. What was tapped there and has not arrived stays on it."
                onConfirm={() => void cutOff({ id })}
              />
            </li>
          ))}
        </ul>
      )}
      {cut.length > 0 && (
        <p className="mt-3 text-[14px] text-ink-2">
          Cut off: {cut.map(({ name, cutAt }) => `${name} (${day(cutAt!)})`).join(', ')}
        </p>
      )}
      <Dialog open={pairing} onClose={() => setPairing(false)} title="Pair a device">
        <PairingCode />
      </Dialog>
    </WorkshopPage>
  );
}

/** Whether the workshop is reached from the bays, where, and by what a tablet knows it again. */
function Door() {
  const me = useMe();
  const { data, error } = useNetworkQuery();
  const [open, { error: refused, isLoading }] = useSwitchNetworkMutation();
  if (error)
    return (
      <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
        {errorText(error)}
      </p>
    );
  if (!data) return null;
  return (
    <section aria-labelledby="door" className="mt-6 border border-line-strong bg-sheet p-5">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-3">
        <div className="min-w-0 flex-1">
          <h2 id="door" className="label">
            From the bays
          </h2>
          <p className="figure text-2xl">{data.open ? 'Open to the workshop’s network' : 'This machine only'}</p>
          {data.open ? (
            <ul className="mt-2">
              {data.urls.map((url) => (
                <li key={url} className="figure text-lg break-all">
                  {url}
                </li>
              ))}
            </ul>
          ) : (
            <p className="mt-2 max-w-prose text-ink-2">
              Tablets in the bays reach it once it is opened. Only the workshop’s own network is answered, over TLS, and
              everybody says who they are.
            </p>
          )}
          {data.proxy && <p className="mt-2 text-ink-2">Shown by a proxy as {data.proxy}.</p>}
        </div>
        <Button
          look={data.open ? 'plain' : 'main'}
          disabled={isLoading || me?.accounts === false}
          onClick={() => void open({ body: { open: !data.open } })}
        >
          {data.open ? 'Close it' : 'Open it'}
        </Button>
      </div>
      {me?.accounts === false && (
        <p className="mt-3 border-l-4 border-warn bg-warn-soft px-4 py-2">
          Make the owner’s account first, under People: whoever comes over the network has to say who they are.
        </p>
      )}
      <Fault error={refused} className="mt-3" />
      {data.open && data.fingerprint && (
        <p className="mt-4 max-w-prose text-[14px] text-ink-2">
          A tablet has to learn once whom to trust: it says how under <em>/trust</em>. What it shows there has to be
          this very line, or somebody sits between:
          <span className="figure mt-1 block text-[13px] break-words text-ink">{data.fingerprint}</span>
          {data.until && <>Renewed by itself before {day(data.until)}.</>}
        </p>
      )}
    </section>
  );
}
