import { Contrast, Moon, Ruler, Sun, SunMoon } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { type System, SYSTEMS, useMeasures } from '../ui/measures';
import { type Theme, THEMES, useTheme } from './theme';

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
