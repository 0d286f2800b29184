import type { RouteObject } from 'react-router';

export const quantifyRoutes: RouteObject[] = [{ path: 'quantify', lazy: () => import('./Quantify') }];
