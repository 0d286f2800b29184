import type { RouteObject } from 'react-router';

export const prepareRoutes: RouteObject[] = [{ path: 'prepare', lazy: () => import('./Prepare') }];
