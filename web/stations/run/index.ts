import type { RouteObject } from 'react-router';

export const runRoutes: RouteObject[] = [{ path: 'run', lazy: () => import('./Run') }];
