export * from './rules';
export * from './stack';
