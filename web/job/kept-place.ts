import { type RefObject, useEffect, useRef } from 'react';

/** Where each station of each job was left in this window: its lens and view, and how far one had scrolled. */
const searches = new Map<string, string>();
const scrolls = new Map<string, number>();

const PANEL = 'panel';

export function keepSearch(jobId: string, station: string, search: string): void {
  searches.set(`${jobId}/${station}`, search);
}

/** The address parameters a station is entered with: its own as they were left, and the panel that is chosen now. */
export function searchFor(jobId: string, station: string, now: string): string {
  const left = new URLSearchParams(searches.get(`${jobId}/${station}`) ?? '');
  const panel = new URLSearchParams(now).get(PANEL);
  if (panel === null) left.delete(PANEL);
  else left.set(PANEL, panel);
  const said = left.toString();
  return said === '' ? '' : `?${said}`;
}

/** Keeps how far something is scrolled, under a name, for when one comes back. */
export function useKeptScroll<T extends HTMLElement>(name: string): RefObject<T | null> {
  const ref = useRef<T>(null);
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    element.scrollTop = scrolls.get(name) ?? 0;
    const keep = () => scrolls.set(name, element.scrollTop);
    element.addEventListener('scroll', keep, { passive: true });
    return () => element.removeEventListener('scroll', keep);
  }, [name]);
  return ref;
}
