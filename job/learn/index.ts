export { flashOf, jobLesson, type JobLesson } from './job-lesson';
