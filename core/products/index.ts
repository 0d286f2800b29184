export * from './product';
