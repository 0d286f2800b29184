import { SunMoon } from 'lucide-react';
import { lazy, Suspense } from 'react';

const Menu = lazy(() => import('./ThemeMenu').then(({ ThemeMenu }) => ({ default: ThemeMenu })));

/** The menu of light and measures; what it takes is fetched after the first screen stands. */
export function LazyThemeMenu({ glove = false }: { readonly glove?: boolean }) {
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
}
