import { foldLog } from '#core/lay/run';
import { layOut } from '#core/lay/run-sheet';
import { planInput } from '#job/plan';
import { prepareSettings } from '#job/prepare';
import { preparedWith } from '#job/view';
import { yardThatMorning } from '../../demo/that-morning';
import { countsFrom, inOpeningHours, layingFrom, weekOf } from './promise';

const yard = yardThatMorning();
const { document } = yard.jobs.find(({ id }) => id === 'teal-hatchback')!.draft;
const [bay] = yard.bays;
const fresh = { record: foldLog([]), nowMin: 0 };

/** When the hatchback is ready if its work begins at a moment of a Tuesday, and is wanted the next morning at ten. */
function promised(startAt: string) {
  const job = { ...document, startAt, owner: { ...document.owner, needsBy: '2027-03-03T10:00:00+01:00' } };
  const { preparation, day } = preparedWith(job, prepareSettings(job));
  const planned = inOpeningHours(planInput(job), job, weekOf(bay), fresh);
  const fromMin = layingFrom(planned, preparation, day, fresh);
  return { ...layOut(planned, { nowMin: fromMin, begun: new Map() }), fromMin, day };
}

test('preparation counts: begun at four in the afternoon it is not ready by ten the next morning', () => {
  const { fromMin, day, plan } = promised('2027-03-02T16:00:00+01:00');
  expect(fromMin).toBeGreaterThan(day.elapsedMin);
  expect(plan.meetsNeed).toBe(false);
});

test('nobody works at night: every action lies between opening and closing', () => {
  const { actions } = promised('2027-03-02T16:00:00+01:00');
  expect(actions.length).toBeGreaterThan(40);
  for (const { startMin, endMin } of actions) {
    const [from, to] = [startMin, endMin].map((min) => (16 * 60 + min) % 1440);
    expect(from).toBeGreaterThanOrEqual(bay!.climate.opensAtHour * 60 - 1e-6);
    expect(to).toBeLessThanOrEqual(bay!.climate.closesAtHour * 60 + 1e-6);
  }
});

test('three evenings told as somebody’s own hours are worked, though the workshop is closed then; others stay away', () => {
  const evening = (day: number): [string, string] => [
    `2027-03-0${day}T18:30:00+01:00`,
    `2027-03-0${day}T22:00:00+01:00`,
  ];
  const crew = (hours?: [string, string][]) => ({
    ...document.crew,
    people: [{ id: 'a', does: ['lay' as const, 'level' as const], ...(hours && { hours }) }],
  });
  const job = { ...document, startAt: '2027-03-02T16:00:00+01:00', crew: crew([evening(2), evening(3), evening(4)]) };
  const people = (of: typeof job) => inOpeningHours(planInput(of), of, weekOf(bay), fresh).crew.people!;
  expect(people(job)[0]!.hours).toEqual([2.5, 26.5, 50.5].map((from) => [from * 60, (from + 3.5) * 60]));
  // What is lost is lost for them too; who told nothing is there while it is open.
  const lost = { from: '2027-03-03T18:00:00+01:00', to: '2027-03-03T23:00:00+01:00', why: 'power' as const };
  expect(people({ ...job, days: { lost: [lost] } })[0]!.hours).toHaveLength(2);
  for (const [from, to] of people({ ...job, crew: crew() })[0]!.hours!.slice(0, 5)) {
    expect((16 * 60 + from) % 1440).toBeGreaterThanOrEqual(bay!.climate.opensAtHour * 60);
    expect((16 * 60 + to) % 1440).toBeLessThanOrEqual(bay!.climate.closesAtHour * 60);
  }
});

test('who only levels does not wash and correct, unless they say they do: preparation is shared by those who prepare', () => {
  const hand = (id: string, does: ('lay' | 'level')[], prepares?: boolean) => ({
    id,
    does,
    ...(prepares !== undefined && { prepares }),
  });
  const startAt = '2027-03-02T08:00:00+01:00';
  const from = (people: ReturnType<typeof hand>[]) => {
    const job = { ...document, startAt, crew: { ...document.crew, people } };
    const { preparation, day } = preparedWith(job, prepareSettings(job));
    return layingFrom(inOpeningHours(planInput(job), job, weekOf(bay), fresh), preparation, day, fresh);
  };
  const alone = from([hand('a', ['lay', 'level'])]);
  expect(from([hand('a', ['lay', 'level']), hand('b', ['level'])])).toBe(alone);
  expect(from([hand('a', ['lay', 'level']), hand('b', ['level'], true)])).toBeLessThan(alone);
  expect(from([hand('a', ['lay', 'level']), hand('b', ['lay'], false)])).toBe(alone);
  // Somebody has to: where nobody says so, all do.
  expect(from([hand('a', ['level'])])).toBe(alone);
});

test('a closed day is not worked, and a day begun earlier is ready no later', () => {
  const sunday = {
    ...bay!,
    climate: { ...bay!.climate, week: [...Array.from({ length: 5 }, () => [8, 18] as [number, number]), null, null] },
  };
  const job = { ...document, startAt: '2027-03-05T17:00:00+01:00' };
  const planned = inOpeningHours(planInput(job), job, weekOf(sunday), fresh);
  const { actions } = layOut(planned, { nowMin: 120, begun: new Map() });
  // From Friday at five: Monday at eight is 63 hours later.
  expect(actions[0]!.startMin).toBe(63 * 60);
  expect(promised('2027-03-02T08:00:00+01:00').plan.handoverMin! - 8 * 60).toBeLessThanOrEqual(
    promised('2027-03-02T16:00:00+01:00').plan.handoverMin!,
  );
});

test('it is counted from the start until preparation or laying has begun, and from now then', () => {
  const stages = new Map([['wash/1', {} as never]]);
  expect(countsFrom(fresh.record, 500)).toBe(0);
  expect(countsFrom({ ...fresh.record, stages }, 500)).toBe(500);
  expect(countsFrom({ ...fresh.record, stages }, -500)).toBe(0);
  expect(countsFrom({ ...fresh.record, patches: new Map([['p', {} as never]]) }, -5)).toBe(-5);
});
