import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { PageTitle } from './PageTitle';

interface Props {
  readonly title: string;
  /** What its parts are together, for who cannot see them. */
  readonly label: string;
  readonly tabs: readonly (readonly [to: string, name: string])[];
  readonly children?: ReactNode;
}

/** A place with its parts, and what can be done in the one that is open. */
export function PlaceTabs({ title, label, tabs, children }: Props) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <PageTitle>{title}</PageTitle>
      <h1 className="figure text-3xl">{title}</h1>
      <nav aria-label={label} className="flex flex-1 flex-wrap gap-1">
        {tabs.map(([to, name]) => (
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
