export { bySchoolsOf, excludedFrom, layingSchools, overlaid } from './terms';
