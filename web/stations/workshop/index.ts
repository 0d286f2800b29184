import type { RouteObject } from 'react-router';

export const workshopRoutes: RouteObject[] = [
  { path: 'workshop', lazy: () => import('./People') },
  { path: 'workshop/devices', lazy: () => import('./Devices') },
  { path: 'workshop/backups', lazy: () => import('./Backups') },
  { path: 'workshop/record', lazy: () => import('./Record') },
];
