export * from './baseline';
export * from './choose';
export * from './frontier';
export { solveWith } from './highs';
export * from './options';
export type { Solve } from './program';
export * from './stacks';
export * from './wishes';
export * from './words';
