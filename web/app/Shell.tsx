import { Suspense } from 'react';
import { NavLink, Outlet, useMatch } from 'react-router';
import { Aged } from '../offline/Aged';
import { JumpKeys } from '../jump/JumpKeys';
import { RequireSignIn } from '../people/RequireSignIn';
import { LazyWhoChip } from '../people/LazyWhoChip';
import { LazyThemeMenu } from './LazyThemeMenu';
import { useMe } from '../people/api';

const PLACES = [
  ['/', 'Today'],
  ['/calendar', 'Calendar'],
  ['/items', 'Items'],
  ['/shelf', 'Shelf'],
  ['/stock', 'Stock'],
  ['/bays', 'Bays'],
] as const;
const OWNERS = ['/workshop', 'Workshop'] as const;

/** What stands around every view. In the bay it steps aside. */
export function Shell() {
  const inBay = useMatch('/jobs/:jobId/run') !== null;
  const me = useMe();
  // Whoever has not said who they are is shown nothing but the way in.
  const isIn = me !== undefined && (!me.accounts || me.person !== null);
  const places = isIn ? [...PLACES, ...(me.rights.includes('own') ? [OWNERS] : [])] : [];
  return (
    <div className="flex h-dvh flex-col">
      {!inBay && (
        <header className="flex h-12 shrink-0 items-center gap-6 border-b bg-sheet px-5 max-lg:gap-2 max-sm:gap-1 max-sm:px-2">
          <NavLink to="/" className="flex items-center gap-2.5" aria-label="Glaphyra, today">
            <Wordmark />
          </NavLink>
          <nav aria-label="Places" className="flex h-full min-w-0 gap-1 max-lg:gap-0 max-lg:overflow-x-auto">
            {places.map(([to, name]) => (
              <NavLink
                key={to}
                to={to}
                end={to === '/'}
                className={({ isActive }) =>
                  `flex h-full shrink-0 items-center border-b-3 px-3 max-lg:px-2 max-sm:px-1.5 ${isActive ? 'border-over font-semibold' : 'border-transparent text-ink-2 hover:text-ink'}`
                }
              >
                {name}
              </NavLink>
            ))}
          </nav>
          <span className="flex-1" />
          {isIn && <JumpKeys />}
          <LazyWhoChip />
          <LazyThemeMenu />
        </header>
      )}
      {isIn && <Aged inBay={inBay} />}
      <div className="min-h-0 flex-1 overflow-auto">
        <Suspense>
          <RequireSignIn>
            <Outlet />
          </RequireSignIn>
        </Suspense>
      </div>
    </div>
  );
}

/** The name over the cut of a surface: substrate, clear, and a film upon it. */
function Wordmark() {
  return (
    <>
      <svg width={26} height={26} viewBox="0 0 26 26" aria-hidden>
        <path d="M2 20.5h22M2 16h22" stroke="var(--tint-5)" strokeWidth={2} />
        <path d="M2 11c5-3 8 3 13 0s6-1.5 9-1" fill="none" stroke="var(--ink)" strokeWidth={2} />
        <path d="M15.5 3v20" stroke="var(--over)" strokeWidth={2.2} />
      </svg>
      <span className="text-lg font-semibold tracking-tight max-sm:sr-only" style={{ fontStretch: '112%' }}>
        Glaphyra
      </span>
    </>
  );
}
