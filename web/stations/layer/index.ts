import type { RouteObject } from 'react-router';

export const layerRoutes: RouteObject[] = [{ path: 'layer', lazy: () => import('./Layer') }];
