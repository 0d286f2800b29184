import type { RouteObject } from 'react-router';

export const figuresRoutes: RouteObject[] = [{ path: 'figures', lazy: () => import('./Figures') }];
