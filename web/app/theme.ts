import { useSyncExternalStore } from 'react';

export const THEMES = { system: 'As the device', light: 'Day', dark: 'Night', contrast: 'High contrast' } as const;
export type Theme = keyof typeof THEMES;

const KEY = 'glaphyra.theme';
const listeners = new Set<() => void>();
const prefersDark = () => globalThis.matchMedia('(prefers-color-scheme: dark)');

function storedTheme(): Theme {
  const stored = localStorage.getItem(KEY);
  return stored !== null && stored in THEMES ? (stored as Theme) : 'system';
}

function apply(theme: Theme): void {
  const shown = theme === 'system' ? (prefersDark().matches ? 'dark' : 'light') : theme;
  document.documentElement.dataset.theme = shown;
}

/** Puts on the theme chosen last, before anything is drawn, and follows the device where that is the choice. */
export function applyStoredTheme(): void {
  apply(storedTheme());
  prefersDark().addEventListener('change', () => apply(storedTheme()));
}

export function useTheme(): readonly [Theme, (theme: Theme) => void] {
  const theme = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, storedTheme);
  const choose = (next: Theme) => {
    localStorage.setItem(KEY, next);
    apply(next);
    listeners.forEach((listener) => listener());
  };
  return [theme, choose];
}
