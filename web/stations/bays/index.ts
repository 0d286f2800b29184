import type { RouteObject } from 'react-router';

export const bayRoutes: RouteObject[] = [{ path: 'bays', lazy: () => import('./Bays') }];
