import type { ReactNode } from 'react';
import { PlaceTabs } from '../../ui/PlaceTabs';

const TABS = [
  ['/shelf', 'To lay'],
  ['/shelf/preparation', 'To prepare with'],
  ['/shelf/rules', 'The rules'],
] as const;

export const ShelfTabs = ({ children }: { readonly children?: ReactNode }) => (
  <PlaceTabs title="Shelf" label="Parts of the shelf" tabs={TABS}>
    {children}
  </PlaceTabs>
);
