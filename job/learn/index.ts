export { flashOf, jobLesson, type JobLesson, paceOfHands, paceOfPeople } from './job-lesson';
