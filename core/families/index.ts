export * from './families';
