export { flashOf, jobLesson, type JobLesson, paceOfHands } from './job-lesson';
