export * from './area-spread';
export * from './polygon';
export * from './shapes';
export * from './split';
