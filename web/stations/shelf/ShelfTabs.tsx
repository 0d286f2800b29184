import type { ReactNode } from 'react';
import { NavLink } from 'react-router';

const TABS = [
  ['/shelf', 'To lay'],
  ['/shelf/preparation', 'To prepare with'],
  ['/shelf/rules', 'The rules'],
] as const;

/** The shelf's parts, and what can be done in the one that is open. */
export function ShelfTabs({ children }: { readonly children?: ReactNode }) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <h1 className="figure text-3xl">Shelf</h1>
      <nav aria-label="Parts of the shelf" className="flex flex-1 gap-1">
        {TABS.map(([to, name]) => (
          <NavLink
            key={to}
            to={to}
            end
            className={({ isActive }) =>
              `border-b-3 px-3 py-1.5 ${isActive ? 'border-over font-semibold' : 'border-transparent text-ink-2 hover:text-ink'}`
            }
          >
            {name}
          </NavLink>
        ))}
      </nav>
      {children}
    </div>
  );
}
