export * from './vapour';
