import { SunMoon } from 'lucide-react';
import { memo, Suspense } from 'react';
import { later } from '../ui/later';

const Menu = later<{ readonly glove?: boolean }>(
  () => import('./ThemeMenu').then(({ ThemeMenu }) => ({ default: ThemeMenu })),
  () => null,
);

/** The menu of light and measures; what it takes is fetched after the first screen stands. */
export const LazyThemeMenu = memo(function LazyThemeMenu({ glove = false }: { readonly glove?: boolean }) {
  return (
    <Suspense
      fallback={
        <span className={`flex items-center justify-center text-ink-3 ${glove ? 'size-16' : 'size-9'}`}>
          <SunMoon size={glove ? 26 : 18} />
        </span>
      }
    >
      <Menu glove={glove} />
    </Suspense>
  );
});
