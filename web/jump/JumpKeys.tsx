import { Search } from 'lucide-react';
import { Suspense, useEffect, useState } from 'react';
import { later } from '../ui/later';

const loadJump = () => import('./Jump');
const Jump = later(loadJump);
const Shortcuts = later(() => import('./Shortcuts'));

const FETCH_AFTER_MS = 2500;

const isTyping = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null;

/** Listens for the keys that jump, and for the one that tells of the keys; a button for those without. */
export function JumpKeys() {
  const [open, setOpen] = useState<'jump' | 'keys'>();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen((now) => (now === 'jump' ? undefined : 'jump'));
      } else if (event.key === '?' && !isTyping(event)) {
        event.preventDefault();
        setOpen('keys');
      }
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
  // Fetched when nothing else is, so that the first letters typed are not lost.
  useEffect(() => {
    const idle = setTimeout(() => void loadJump().catch(() => undefined), FETCH_AFTER_MS);
    return () => clearTimeout(idle);
  }, []);
  const close = () => setOpen(undefined);
  return (
    <>
      <button
        type="button"
        className="flex min-h-9 items-center gap-2 border border-line-strong px-3 text-[14px] text-ink-2 hover:bg-tint-1 hover:text-ink max-sm:size-9 max-sm:justify-center max-sm:border-0 max-sm:px-0"
        onClick={() => setOpen('jump')}
      >
        <Search size={16} /> <span className="max-sm:sr-only">Jump to</span>
        <kbd className="font-sans text-[12px] text-ink-3 max-md:hidden">Ctrl K</kbd>
      </button>
      {open && (
        <Suspense>{open === 'jump' ? <Jump open onClose={close} /> : <Shortcuts open onClose={close} />}</Suspense>
      )}
    </>
  );
}
