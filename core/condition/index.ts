export * from './evidence';
export * from './marks';
