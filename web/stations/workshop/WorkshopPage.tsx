import type { ReactNode } from 'react';
import { PlaceTabs } from '../../ui/PlaceTabs';
import { useMe } from '../../people/api';
import { Fault } from '../../ui/Fault';

const TABS = [
  ['/workshop', 'People'],
  ['/workshop/devices', 'Devices and network'],
  ['/workshop/backups', 'Backups'],
  ['/workshop/record', 'Who did what'],
] as const;

interface Props {
  readonly error?: unknown;
  readonly children: ReactNode;
}

/** What is set for the whole workshop; its owner's. */
export function WorkshopPage({ error, children }: Props) {
  const me = useMe();
  return (
    <main className="mx-auto max-w-5xl px-6 py-6">
      <PlaceTabs title="Workshop" label="Of the workshop" tabs={TABS} />
      {me && !me.rights.includes('own') ? (
        <p className="mt-6 border-l-4 border-warn bg-warn-soft px-4 py-3">This is the owner’s to see and to change.</p>
      ) : (
        <>
          <Fault error={error} className="mt-5" />
          {children}
        </>
      )}
    </main>
  );
}
