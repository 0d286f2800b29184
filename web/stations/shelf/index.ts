import type { RouteObject } from 'react-router';

export const shelfRoutes: RouteObject[] = [
  { path: 'shelf', lazy: () => import('./Shelf') },
  { path: 'shelf/preparation', lazy: () => import('./kit/Kit') },
  { path: 'shelf/rules', lazy: () => import('./Rules') },
  { path: 'shelf/:productId', lazy: () => import('./Sheet') },
];
