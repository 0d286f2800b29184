export { layFactorOf, METHOD_IDS, type MethodId, METHODS, usualMethod } from './methods';
