export type { CalendarCase, PlacedTask, Scheduled, Task } from './case';
export { calendarFaults } from './faults';
export type { SolverAnswer } from './model';
export { mayPut, type Move, type Put, redraw, type Redrawn } from './redraw';
export { NINE_IN_TEN, type RehearsedDue, rehearseCalendar } from './rehearse';
export { schedule, type Solver, type SolverEnd } from './schedule';
