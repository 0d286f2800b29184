import { useState } from 'react';
import {
  useCutGuestLinkMutation,
  useGuestLinksQuery,
  useMakeGuestLinkMutation,
  useNetworkQuery,
  useMe,
} from '../people/api';
import { Button } from '../ui/Button';
import { day } from '../ui/moments';
import { NumberField } from '../ui/NumberField';
import { QrCode } from '../ui/QrCode';
import { useNow } from '../ui/useNow';
import { Fault } from '../ui/Fault';

const USUAL_DAYS = 30;

/** Links that show this job to whoever has them: made, told once, ended. */
export default function GuestLinks({ job }: { readonly job: string }) {
  const me = useMe();
  const { data: links = [], error } = useGuestLinksQuery({ id: job });
  const { data: network } = useNetworkQuery(undefined, { skip: !me?.rights.includes('own') });
  const [days, setDays] = useState(USUAL_DAYS);
  const [make, { data: made, error: notMade, isLoading }] = useMakeGuestLinkMutation();
  const now = useNow(60_000);
  const [cut] = useCutGuestLinkMutation();
  const base = network?.proxy ?? network?.urls[0] ?? location.origin;
  const open = links.filter(({ cutAt, until }) => cutAt === null && Date.parse(until) > now);
  if (me?.accounts === false)
    return (
      <p>
        Links take accounts: while nobody has one, nobody but whoever is at this machine can open anything. Make the
        owner’s under Workshop, People.
      </p>
    );
  return (
    <div className="space-y-4">
      <p className="text-ink-2">
        Whoever has the link sees how far the job is, what lies where, and the dates. Nothing can be changed by it.
      </p>
      <form
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void make({ body: { job, days } });
        }}
      >
        <NumberField label="Holds for" unit="days" value={days} onChange={(value) => setDays(value ?? USUAL_DAYS)} />
        <Button look="main" type="submit" disabled={isLoading}>
          Make a link
        </Button>
      </form>
      <Fault error={notMade ?? error} />
      {made && (
        <div className="border-l-4 border-ok bg-ok-soft px-4 py-3">
          <p>Told once: hand it on now.</p>
          <QrCode text={`${base}/guest#${made.token}`} alt="Code of the link" />
          <p className="figure break-all">{`${base}/guest#${made.token}`}</p>
        </div>
      )}
      {open.length > 0 && (
        <ul className="divide-y border-y">
          {open.map(({ id, madeAt, until }) => (
            <li key={id} className="flex items-center gap-4 py-2">
              <span className="flex-1">
                Made {day(madeAt)}, until {day(until)}
              </span>
              <Button onClick={() => void cut({ id })}>End it</Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
