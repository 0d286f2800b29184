import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import { listenForChanges } from './app/live';
import { router } from './app/router';
import { store } from './app/store';
import { applyStoredTheme } from './app/theme';
import { installOffline } from './offline/install';
import { useMeasures } from './ui/measures';
import './styles.css';

declare global {
  /** Read by packages that add their own styles, so that the content policy lets them. */
  var __webpack_nonce__: string | undefined;
}

/** Drawn anew where the measures change: every figure is told in others. */
function Measured() {
  const [system] = useMeasures();
  return <RouterProvider key={system} router={router} />;
}

globalThis.__webpack_nonce__ = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
applyStoredTheme();
listenForChanges(store.dispatch);
// While it is built anew at every keystroke there is nothing to keep.
if (import.meta.env.PROD) addEventListener('load', () => void installOffline(store.dispatch));
createRoot(document.getElementById('root')!).render(
  <Provider store={store}>
    <Measured />
  </Provider>,
);
