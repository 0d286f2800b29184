/** `npm run --silent schedule -- CALENDAR.json [--out FILE]`: work placed on bays, people and tools, without any server. */
import { schedule } from '#core/schedule/calendar';
import { calendarCase, readCalendar, scheduledFile } from '#formats/schedule';
import { nodeSolver } from '../solver/node';
import { fileCommand } from './files';

const USAGE = 'usage: npm run --silent schedule -- CALENDAR.json [--out SCHEDULED.json]';
const MS_PER_S = 1000;

const solver = nodeSolver();
process.exitCode = await fileCommand(process.argv.slice(2), USAGE, async (value) => {
  const file = readCalendar(value);
  const scheduled = await schedule(calendarCase(file), {
    solver,
    timeMs: file.seconds * MS_PER_S,
    now: () => performance.now(),
    onFailed: (error) => console.error(`The solver failed, what stands is unproven: ${String(error)}`),
    breathe: () => new Promise((resolve) => setTimeout(resolve, 1)),
  });
  return scheduledFile(file.startAt, scheduled);
});
solver.close();
