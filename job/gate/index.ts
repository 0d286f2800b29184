export { gateLines } from './gate-lines';
