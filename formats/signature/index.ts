export { fingerprintOf, isSignedBy } from './signature';
