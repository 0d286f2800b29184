export { passportOf, type PassportVisit } from './passport';
