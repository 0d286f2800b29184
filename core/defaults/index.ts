export { DEFAULT_GROUPS } from './register';
