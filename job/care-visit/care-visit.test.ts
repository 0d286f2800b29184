/** Care as a visit of its own: what it finds speaks for what was laid before, and goes on with the item. */
import { conditionAt, dropSays, firstRenewMin, phaseOf, topOf } from '#core/care/upkeep';
import { MINUTES_PER_DAY } from '#core/measures';
import { NO_KIT } from '#core/prepare/kit';
import { stageNow } from '#core/prepare/stages';
import { foldLog, type RunEntry, progressOf, runSheet } from '#core/lay/run';
import { type Job, jobSchema } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
import { productSchema } from '#formats/shelf';
import { instantAfter } from '#formats/values';
import { planInput } from '#job/plan';
import { comingBack } from '#job/return';
import { prepareSettings } from '#job/prepare';
import { preparedWith, standingView } from '#job/view';
import { DEMO_SHELF } from '../../demo/shelf';
import { yardThatMorning } from '../../demo/that-morning';
import { careVisitJob, isTopper, panelsFor } from '.';

const yard = yardThatMorning();
const { draft, log: taps } = yard.jobs.find(({ id }) => id === 'slate-estate')!;
const laidLog = taps.map((entry, nth): LogEntry => ({ ...entry, seq: nth, recordedAt: entry.at }));
const [LATER, DOOR] = ['2027-08-02T09:00:00+02:00', 'front-door-left'];

function entriesOf({ startAt }: Job, ...entries: readonly (readonly [number, RunEntry])[]): LogEntry[] {
  return entries.map(([atMin, entry], nth) => {
    const at = instantAfter(startAt, atMin);
    return { id: `v${nth}`, seq: nth, at, recordedAt: at, entry };
  });
}
const standingOf = (job: Job, log: readonly LogEntry[]) => {
  const planned = planInput(job);
  const record = foldLog(loggedEntries(job.startAt, log));
  const standing = standingView(planned, record, job.owner, undefined);
  return { planned, record, standing, door: standing.find(({ surface }) => surface.id === DOOR)! };
};
const stage = (kind: 'wash' | 'iron', atMin: number): [number, RunEntry][] => [
  [atMin, { type: 'stage-start', stage: { kind, round: 1 }, predictedMin: 10 }],
  [atMin + 10, { type: 'stage-end', stage: { kind, round: 1 } }],
];
const drop = (atMin: number, deg: number): [number, RunEntry] => [
  atMin,
  { type: 'bead', surface: DOOR, deg, sigmaDeg: 3 },
];

test('months on, what was laid wears on: its age, its name and its renewal are those of the visit that laid it', () => {
  const visit = careVisitJob(draft.document, laidLog, { startAt: LATER });
  expect(jobSchema.safeParse(JSON.parse(JSON.stringify(visit))).success).toBe(true);
  const [before, after] = [standingOf(draft.document, laidLog), standingOf(visit, [])];
  const [was, is] = [topOf(before.door)!, topOf(after.door)!];
  const apartMin = (Date.parse(LATER) - Date.parse(draft.document.startAt)) / 60_000;
  expect(is.endMin).toBeCloseTo(was.endMin - apartMin, 3);
  expect(is.life.months).toBeCloseTo(was.life.months, 6);
  expect(after.door.found.at(-1)!.name).toBe(before.door.layers.at(-1)!.product.name);
  expect(firstRenewMin(after.standing)! + apartMin).toBeCloseTo(firstRenewMin(before.standing)!, 3);
  expect(conditionAt(is, 0)).toBeCloseTo(conditionAt(was, apartMin), 6);
});

test('a drop on what came in from the road speaks once it is washed; a dull one once tar and iron are off', () => {
  const visit = careVisitJob(draft.document, laidLog, { startAt: LATER });
  const [wash, iron] = [stage('wash', 10), stage('iron', 60)];
  const top = topOf(standingOf(visit, []).door)!;
  const says = (entries: [number, RunEntry][]) => {
    const { record, door } = standingOf(visit, entriesOf(visit, ...entries));
    return [dropSays(record, top, record.beads.at(-1)!), topOf(door)!.byWater?.drops ?? 0];
  };
  expect(says([drop(5, 103)])).toEqual(['unwashed', 0]);
  expect(says([...wash, drop(30, 103)])).toEqual(['life', 1]);
  expect(says([...wash, drop(30, 70)])).toEqual(['contaminated', 0]);
  expect(says([...wash, ...iron, drop(80, 70)])).toEqual(['life', 1]);

  // What it said goes on with the item, and the next visit begins from there.
  const dull = entriesOf(visit, ...wash, ...iron, drop(80, 70));
  const next = careVisitJob(visit, dull, { startAt: '2027-11-02T09:00:00+01:00' });
  const [here, later] = [standingOf(visit, dull).door, standingOf(next, []).door];
  expect(topOf(here)!.life.months).toBeLessThan(top.life.months);
  expect(topOf(later)!.life.months).toBeCloseTo(topOf(here)!.life.months, 6);
  expect(comingBack(visit, entriesOf(visit, ...wash, drop(30, 70))).surfaces.flatMap(told)).toEqual([]);

  function told({ id, existingTold }: Job['surfaces'][number]) {
    return id === DOOR ? (existingTold?.at(-1)?.drops ?? []).filter(({ at }) => at >= visit.startAt) : [];
  }
});

test('a topper goes only where something lies that carries it; where nothing is laid, the stages say how far it is', () => {
  const topper = DEMO_SHELF.map((sheet) => productSchema.parse(sheet)).filter(isTopper);
  expect(topper.length).toBeGreaterThan(0);
  const visits = topper.map((sheet) => careVisitJob(draft.document, laidLog, { startAt: LATER, topper: sheet }));
  for (const [nth, visit] of visits.entries()) {
    const on = visit.surfaces.filter(({ layers }) => layers.length > 0);
    expect(on.map(({ id }) => id)).toEqual(panelsFor(visit, topper[nth]!));
    expect(on.every(({ existing }) => existing.length > 0)).toBe(true);
    expect(planInput(visit).surfaces.length).toBe(visit.surfaces.length);
  }
  expect(visits.some(({ products }) => products.length === 1)).toBe(true);

  const visit = careVisitJob(draft.document, laidLog, { startAt: LATER });
  const { preparation } = preparedWith(visit, prepareSettings(visit, undefined, NO_KIT));
  const kinds = [...new Set(preparation.stages.map(({ kind }) => kind))];
  expect(kinds).toContain('wash');
  // Nothing that takes what it is to keep; an estate is washed for care in an hour or so, not in a morning.
  expect(kinds).not.toContain('degrease');
  expect(preparation.stages.reduce((sum, { minutes }) => sum + minutes, 0)).toBeGreaterThan(50);
  expect(preparation.stages.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThan(100);
  const phase = (entries: readonly LogEntry[], nowMin: number) => {
    const { planned, record, standing } = standingOf(visit, entries);
    return phaseOf(progressOf(runSheet(planned, record, nowMin), record), standing, nowMin, {
      begun: record.stages.size > 0,
      left: stageNow(preparation.stages, record.stages) !== undefined,
    });
  };
  const all = preparation.stages.flatMap(({ kind, round }, nth): [number, RunEntry][] => [
    [nth * 20, { type: 'stage-start', stage: { kind, round }, predictedMin: 10 }],
    [nth * 20 + 10, { type: 'stage-end', stage: { kind, round } }],
  ]);
  expect(phase([], 0)).toBe('survey');
  expect(phase(entriesOf(visit, ...all.slice(0, 2)), 15)).toBe('running');
  expect(phase(entriesOf(visit, ...all), MINUTES_PER_DAY)).toBe('in-care');
});
