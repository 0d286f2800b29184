export { repairedJob, stackOfRest } from './repaired-job';
