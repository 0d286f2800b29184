export { careVisitJob, isTopper, panelsFor } from './care-visit';
