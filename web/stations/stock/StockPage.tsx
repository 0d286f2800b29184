import type { ReactNode } from 'react';
import { errorText } from '../../app/api';
import { PlaceTabs } from '../../ui/PlaceTabs';

const TABS = [
  ['/stock', 'In hand'],
  ['/stock/take', 'Stock-take'],
  ['/stock/order', 'To order'],
  ['/stock/recall', 'Recall'],
  ['/stock/learned', 'Learned'],
] as const;

interface Props {
  /** What can be done here. */
  readonly actions?: ReactNode;
  /** What went wrong when it was asked for. */
  readonly error: unknown;
  readonly wide?: boolean;
  readonly children: ReactNode;
}

/** One part of the stock: its parts above, what went wrong, and what it shows. */
export function StockPage({ actions, error, wide = false, children }: Props) {
  return (
    <main className={`mx-auto px-6 py-6 ${wide ? 'max-w-7xl' : 'max-w-5xl'}`}>
      <PlaceTabs title="Stock" label="Parts of the stock" tabs={TABS}>
        {actions}
      </PlaceTabs>
      {error !== undefined && (
        <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
          {errorText(error)}
        </p>
      )}
      {children}
    </main>
  );
}
