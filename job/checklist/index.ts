export { checklistLines } from './checklist-lines';
