import { Contrast, Moon, Ruler, Sun, SunMoon } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Suspense } from 'react';
import { NavLink, Outlet, useMatch } from 'react-router';
import { JumpKeys } from '../jump/JumpKeys';
import { type System, SYSTEMS, useMeasures } from '../ui/measures';
import { type Theme, THEMES, useTheme } from './theme';

const PLACES = [
  ['/', 'Today'],
  ['/items', 'Items'],
  ['/shelf', 'Shelf'],
] as const;

/** What stands around every view. In the bay it steps aside. */
export function Shell() {
  const inBay = useMatch('/jobs/:jobId/run') !== null;
  return (
    <div className="flex h-dvh flex-col">
      {!inBay && (
        <header className="flex h-12 shrink-0 items-center gap-6 border-b bg-sheet px-5 max-sm:gap-1 max-sm:px-2">
          <NavLink to="/" className="flex items-center gap-2.5" aria-label="Glaphyra, today">
            <Wordmark />
          </NavLink>
          <nav aria-label="Places" className="flex h-full gap-1">
            {PLACES.map(([to, name]) => (
              <NavLink
                key={to}
                to={to}
                end={to === '/'}
                className={({ isActive }) =>
                  `flex h-full items-center border-b-3 px-3 ${isActive ? 'border-over font-semibold' : 'border-transparent text-ink-2 hover:text-ink'}`
                }
              >
                {name}
              </NavLink>
            ))}
          </nav>
          <span className="flex-1" />
          <JumpKeys />
          <ThemeMenu />
        </header>
      )}
      <div className="min-h-0 flex-1 overflow-auto">
        <Suspense>
          <Outlet />
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

const THEME_ICONS = { system: SunMoon, light: Sun, dark: Moon, contrast: Contrast } as const;

export function ThemeMenu({ glove = false }: { readonly glove?: boolean }) {
  const [theme, choose] = useTheme();
  const [system, measureIn] = useMeasures();
  const Icon = THEME_ICONS[theme];
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className={`flex items-center justify-center rounded text-ink-2 hover:bg-tint-2 hover:text-ink ${glove ? 'size-16' : 'size-9'}`}
        aria-label={`Light: ${THEMES[theme]}; measures: ${SYSTEMS[system]}`}
      >
        <Icon size={glove ? 26 : 18} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 min-w-44 border border-line-strong bg-sheet py-1"
        >
          {(Object.keys(THEMES) as Theme[]).map((key) => {
            const Each = THEME_ICONS[key];
            return (
              <DropdownMenu.Item
                key={key}
                onSelect={() => choose(key)}
                className={`flex cursor-pointer items-center gap-2.5 px-3 outline-none data-[highlighted]:bg-tint-2 ${glove ? 'min-h-14' : 'min-h-9'} ${key === theme ? 'font-semibold text-over' : ''}`}
              >
                <Each size={16} /> {THEMES[key]}
              </DropdownMenu.Item>
            );
          })}
          <DropdownMenu.Separator className="my-1 border-t" />
          <DropdownMenu.Label className="label px-3 py-1">Measures</DropdownMenu.Label>
          {(Object.keys(SYSTEMS) as System[]).map((key) => (
            <DropdownMenu.Item
              key={key}
              onSelect={() => measureIn(key)}
              className={`flex cursor-pointer items-center gap-2.5 px-3 outline-none data-[highlighted]:bg-tint-2 ${glove ? 'min-h-14' : 'min-h-9'} ${key === system ? 'font-semibold text-over' : ''}`}
            >
              <Ruler size={16} /> {SYSTEMS[key]}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
