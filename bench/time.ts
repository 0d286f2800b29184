/** Time: a job re-timed after a reading, a run sheet gone through on a thousand days, a year of readings thinned. */
import { seeded } from '#core/measures';
import { type AmbientStep, withReadings } from '#core/time/air';
import { type BayReading, downsampled } from '#core/time/bay-air';
import { planOneByOne, type PlanInput } from '#core/plan/job';
import { rehearsalCase, rehearsing } from '#core/schedule/rehearsal';
import { layOut } from '#core/lay/run-sheet';

const DAYS = 1000;
const ROUNDS = 30;
const RETIMED_BAR_MS = 50;
const REHEARSED_BAR_MS = 2000;
const MINUTES_OF_YEAR = 365 * 24 * 60;
const POINTS = 500;
/** Drawn without a dropped frame it leaves most of one to the chart, ms. */
const THINNED_BAR_MS = 100;

function medianMs(call: (round: number) => unknown, rounds: number): number {
  const times = Array.from({ length: rounds }, (_, round) => {
    const start = performance.now();
    call(round);
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[rounds >> 1]!;
}

const told = (ms: number, bar: number) => `  bar: ${bar} ms, ${((100 * ms) / bar).toFixed(0)} % of it used`;

/** @param job sixty panels of three coats */
export function benchTime(job: PlanInput): void {
  // The first plan of a job knows nothing of its air yet; after a reading all of it is new again.
  const plain = medianMs(() => planOneByOne(job), ROUNDS);
  const retimed = medianMs((round) => {
    const reading: AmbientStep = { atMin: 90, airC: 17 + 0.1 * round, rhPct: 55, airSpeed: 0.1 };
    return planOneByOne({ ...job, ambient: withReadings(job.ambient, [reading]) });
  }, ROUNDS);
  console.log(`${job.surfaces.length} panels, 3 coats, re-timed after a reading`);
  console.log(`  in air that is known (baseline)       ${plain.toFixed(1)} ms`);
  console.log(
    `  after a new reading                   ${retimed.toFixed(1)} ms, ${(retimed / plain).toFixed(1)} times the baseline`,
  );
  console.log(told(retimed, RETIMED_BAR_MS));

  const out = layOut({ ...job, crew: { ...job.crew, ahead: 'safe' } });
  const asked = rehearsalCase(out, job.ambient, 300, job.handover);
  const run = (days: number) => medianMs(() => [...rehearsing(asked, days)], 3);
  const [one, all] = [run(1), run(DAYS)];
  console.log(`its run sheet of ${asked.patches.length} patches, gone through on ${DAYS} days`);
  console.log(`  one day (baseline)                    ${one.toFixed(1)} ms`);
  console.log(
    `  all of them                           ${all.toFixed(0)} ms, ${(all / one).toFixed(0)} times the baseline`,
  );
  console.log(told(all, REHEARSED_BAR_MS));

  const random = seeded(1);
  const year = Array.from({ length: MINUTES_OF_YEAR }, (_, minute): BayReading => {
    const swing = 5 * Math.sin((2 * Math.PI * minute) / 1440);
    return { atMs: minute * 60_000, airC: 15 + swing + random(), rhPct: 55 - swing };
  });
  const read = medianMs(() => year.reduce((sum, { airC }) => sum + airC, 0), 5);
  const thinned = medianMs(() => downsampled(year, POINTS), 5);
  console.log(`a year of readings, one a minute, thinned to ${POINTS} stretches`);
  console.log(`  read once (baseline)                  ${read.toFixed(1)} ms`);
  console.log(
    `  lowest, highest and middle of each    ${thinned.toFixed(0)} ms, ${(thinned / read).toFixed(0)} times the baseline`,
  );
  console.log(told(thinned, THINNED_BAR_MS));
}
