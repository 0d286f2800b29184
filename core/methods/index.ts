export * from './methods';
