export * from './area-spread';
export * from './boolean';
export * from './polygon';
export * from './shapes';
export * from './split';
