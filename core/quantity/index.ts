export * from './amount';
export * from './consumables';
export * from './packs';
export * from './purchase';
