export * from './exposure';
export * from './life';
