export { type BegunCoat, begunKey, type SheetFrom } from './dispatch';
export { type LaidOut, layOut, type SheetAction } from './lay-out';
export { coatName, type LostMove } from './moves';
