export { passportOf } from './passport';
