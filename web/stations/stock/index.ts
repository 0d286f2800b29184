import type { RouteObject } from 'react-router';

export const stockRoutes: RouteObject[] = [
  { path: 'stock', lazy: () => import('./Stock') },
  { path: 'stock/take', lazy: () => import('./StockTake') },
  { path: 'stock/order', lazy: () => import('./Order') },
  { path: 'stock/recall', lazy: () => import('./Recall') },
  { path: 'stock/learned', lazy: () => import('./Learned') },
];
