export * from './calibrate';
export * from './events';
export * from './patch-window';
export * from './record';
export * from './sheet';
