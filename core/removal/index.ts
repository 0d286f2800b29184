export * from './ladder';
export * from './methods';
