export { type JobFacts, jobFacts, type JobInputs, type JobModel, jobModel } from './job-model';
