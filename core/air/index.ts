export * from './ambient';
export * from './bay-climate';
export * from './condensation';
export * from './moist-air';
export * from './warm-up';
