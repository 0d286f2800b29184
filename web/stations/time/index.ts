import type { RouteObject } from 'react-router';

export const timeRoutes: RouteObject[] = [{ path: 'time', lazy: () => import('./Time') }];
