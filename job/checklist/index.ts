export { bottleLine, checklistLines } from './checklist-lines';
