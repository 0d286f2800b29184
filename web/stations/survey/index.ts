import type { RouteObject } from 'react-router';

/** A new job is measured before there is one. */
export const newJobRoutes: RouteObject[] = [{ path: 'new', lazy: () => import('./measure/NewJob') }];
export const surveyRoutes: RouteObject[] = [{ path: 'survey', lazy: () => import('./Survey') }];
