import { useEffect } from 'react';
import { useAppSelector } from '../app/store';

/** Shown while the device cannot keep what is unsaved: closing the page would lose it, so the browser asks first. */
export function NotKept({ id }: { readonly id: string }) {
  const isAtRisk = useAppSelector(({ drafts }) => drafts[id]?.isNotKept === true && drafts[id].state.kind !== 'saved');
  useEffect(() => {
    if (!isAtRisk) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener('beforeunload', ask);
    return () => removeEventListener('beforeunload', ask);
  }, [isAtRisk]);
  if (!isAtRisk) return null;
  return (
    <p role="alert" className="shrink-0 border-b-2 border-stop bg-stop-soft px-5 py-3">
      This device cannot store your unsaved changes: it is full, or the browser is in a private window. Keep this page
      open until the server has saved them, or free some space.
    </p>
  );
}
