export * from './sheets';
export * from './things';
export * from './tools';
