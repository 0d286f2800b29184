import type { RouteObject } from 'react-router';

export const checkRoutes: RouteObject[] = [{ path: 'check', lazy: () => import('./Check') }];
