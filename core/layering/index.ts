export * from './rules';
export * from './stack';
export * from './touches';
