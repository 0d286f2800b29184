export { filmSteps } from './film-steps';
