export * from './faults';
