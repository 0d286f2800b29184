export * from './readings';
