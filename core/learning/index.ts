export * from './log-normal';
