export * from './faults';
export * from './job';
export * from './moments';
export * from './plan';
export * from './planned-job';
export * from './product';
export * from './read';
