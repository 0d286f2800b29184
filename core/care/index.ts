export * from './care';
export * from './stage';
