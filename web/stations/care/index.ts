import type { RouteObject } from 'react-router';

export const careRoutes: RouteObject[] = [{ path: 'care', lazy: () => import('./Care') }];
