export * from './at-work';
export * from './coat';
export * from './findings';
export * from './job';
export * from './plan';
