export { type JobFacts, jobFacts, type JobInputs, jobModel } from './job-model';
