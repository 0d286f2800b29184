export { type CoatSections, sectionPlan } from './section-plan';
