export { type BegunCoat, begunKey, type SheetFrom } from './bay';
export { type LaidOut, layOut, type SheetAction } from './lay-out';
export type { LostMove } from './moves';
