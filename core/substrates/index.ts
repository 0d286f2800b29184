export * from './substrates';
