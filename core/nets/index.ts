export * from './arrange';
export * from './label-spot';
export * from './net';
export { pathPoints } from './path';
export * from './templates';
export * from './vehicle';
