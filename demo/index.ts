export { SAMPLE_PICTURES } from './pictures';
export { DEMO_SHELF } from './shelf';
export * from './workshop';
