import type { RouteObject } from 'react-router';

export const calendarRoutes: RouteObject[] = [{ path: 'calendar', lazy: () => import('./Calendar') }];
