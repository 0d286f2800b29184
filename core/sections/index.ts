export * from './fit';
export * from './section';
