export * from './arrange';
export { type GroupId, SURFACE_GROUPS } from './groups';
export * from './label-spot';
export * from './net';
export { pathPoints } from './path';
export * from './template';
export * from './templates';
