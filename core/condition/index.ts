export * from './evidence';
export * from './marks';
export * from './tone';
