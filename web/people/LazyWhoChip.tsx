import { memo, Suspense } from 'react';
import { later } from '../ui/later';
import { useMe } from './api';

const Chip = later<{ readonly glove?: boolean }>(
  () => import('./WhoChip').then(({ WhoChip }) => ({ default: WhoChip })),
  () => null,
);

/** Who is in, where people have accounts; what it takes is fetched only then. */
export const LazyWhoChip = memo(function LazyWhoChip({ glove = false }: { readonly glove?: boolean }) {
  const me = useMe();
  return me?.person ? (
    <Suspense>
      <Chip glove={glove} />
    </Suspense>
  ) : null;
});
