import { useEffect } from 'react';

/** What the browser calls this page: in its tabs, its history, and to whoever hears it read out. */
export function PageTitle({ children }: { readonly children: string }) {
  useEffect(() => {
    document.title = `${children} · Glaphyra`;
    return () => void (document.title = 'Glaphyra');
  }, [children]);
  return null;
}
