import type { RouteObject } from 'react-router';

export const handoverRoutes: RouteObject[] = [{ path: 'hand-over', lazy: () => import('./HandOver') }];
