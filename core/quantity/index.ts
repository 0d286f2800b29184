export * from './amount';
export * from './packs';
export * from './purchase';
