export { SAMPLE_PICTURES } from './pictures';
export { demoKit } from './kit';
export { DEMO_SHELF } from './shelf';
export * from './workshop';
export { YARD_PEOPLE, YARD_TOOLS } from './people';
