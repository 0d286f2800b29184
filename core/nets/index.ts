export * from './arrange';
export { type Claim, claims } from './claims';
export { type GroupId, SURFACE_GROUPS } from './groups';
export * from './label-spot';
export * from './net';
export { pathPoints, subPaths } from './path';
export { snap, type Snapped } from './snap';
export * from './template';
export * from './templates';
