export { type LaidOut, layOut, type SheetAction } from './lay-out';
