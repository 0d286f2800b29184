export * from './care';
