export { removalJob } from './removal-job';
export { costOfWaiting, type WaitingDay } from './waiting';
