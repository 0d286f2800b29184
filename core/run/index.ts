export * from './calibrate';
export * from './events';
export * from './record';
export * from './sheet';
