export { curingCoats, curedIn } from './laid-coats';
export { LAMP_IDS, type LampId, type LampPlan, lampPlan, LAMPS } from './lamp';
export { type MustHold, mustHold } from './must-hold';
