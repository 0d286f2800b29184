export * from './offers';
