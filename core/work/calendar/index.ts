export type { CalendarCase, PlacedTask, Scheduled, Task } from './case';
export { calendarFaults } from './faults';
export type { SolverAnswer } from './model';
export { schedule, type Solver, type SolverEnd } from './schedule';
