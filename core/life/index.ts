export * from './life';
