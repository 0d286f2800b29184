export { METHOD_IDS, type MethodId, METHODS, usualMethod } from './methods';
