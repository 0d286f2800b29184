export { DEMO_SHELF } from './shelf';
export * from './workshop';
