export * from './latest';
export * from './mechanisms';
export * from './milestones';
export * from './window';
export * from './words';
export * from './span';
