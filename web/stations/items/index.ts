import type { RouteObject } from 'react-router';

export const itemRoutes: RouteObject[] = [
  { path: 'items', lazy: () => import('./Items') },
  { path: 'items/:itemId', lazy: () => import('./Item') },
];
