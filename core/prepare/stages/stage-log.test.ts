import fc from 'fast-check';
import { learnedHours, lessonOf } from './lessons';
import {
  afterStageEntry,
  PAUSE_REASONS,
  rinseByMin,
  type StageEntry,
  stageFault,
  type StageRecord,
  stageState,
  withObservation,
  workedMin,
} from './stage-log';

const stage = { kind: 'iron', round: 1 } as const;
const start: StageEntry = { type: 'stage-start', stage, predictedMin: 20 };
const pause: StageEntry = { type: 'stage-pause', stage, reason: 'no-power' };
const resume: StageEntry = { type: 'stage-resume', stage };
const end: StageEntry = { type: 'stage-end', stage };
const played = (...steps: readonly (readonly [StageEntry, number])[]) =>
  steps.reduce<StageRecord | undefined>((record, [entry, at]) => afterStageEntry(record, entry, at), undefined)!;

test('only what was worked counts, whatever was waited in between', () => {
  const record = played([start, 10], [pause, 16], [resume, 40], [end, 50]);
  expect(record).toMatchObject({ workedMin: 16, startMin: 10, endMin: 50 });
  expect(record.pauses).toEqual([{ reason: 'no-power', fromMin: 16, toMin: 40 }]);
  expect(workedMin(played([start, 10]), 13)).toBe(3);
  expect(workedMin(played([start, 10], [pause, 16]), 100)).toBe(6);
});

test('what dwells goes on through a pause, panel by panel, until each is rinsed', () => {
  expect(rinseByMin(played([start, 10]))).toBe(14);
  // Whoever is called to the phone leaves it wet: it is still to be rinsed by then.
  expect(rinseByMin(played([start, 10], [pause, 12]))).toBe(14);
  expect(rinseByMin(played([start, 10], [pause, 12], [resume, 30]))).toBe(14);
  expect(rinseByMin(played([start, 10], [end, 12]))).toBeUndefined();
  const rinsed = (record: StageRecord, surface: string, atMin: number) =>
    withObservation(record, { type: 'stage-panel', stage, surface }, atMin);
  // Four wheels, three minutes each: every one has its own time.
  let wheels = played([start, 10]);
  for (const [nth, atMin] of [13, 16, 19].entries()) {
    wheels = rinsed(wheels, `wheel-${nth}`, atMin);
    expect(rinseByMin(wheels)).toBe(atMin + 4);
  }
  // A break right after one was rinsed: nothing is on the next.
  const away = afterStageEntry(wheels, pause, 19.5);
  expect(rinseByMin(away)).toBeUndefined();
  expect(rinseByMin(afterStageEntry(away, resume, 60))).toBe(64);
});

test('what does not fit says why: two tablets on one stage, an end before a start', () => {
  expect(stageFault(undefined, end)).toBe('iron remover is not begun');
  expect(stageFault(played([start, 0]), start)).toBe('iron remover is running already');
  expect(stageFault(played([start, 0], [end, 5]), end)).toBe('iron remover is already done');
  expect(stageFault(played([start, 0], [pause, 5]), resume)).toBeUndefined();
});

test('worked time never runs backwards and never exceeds the time that passed', () => {
  const entry = fc.constantFrom<StageEntry>(
    start,
    pause,
    resume,
    end,
    ...PAUSE_REASONS.map((reason) => ({ ...pause, reason })),
  );
  fc.assert(
    fc.property(fc.array(fc.tuple(entry, fc.integer({ min: 0, max: 30 })), { maxLength: 20 }), (steps) => {
      let record: StageRecord | undefined;
      let now = 0;
      for (const [next, later] of steps) {
        now += later;
        if (stageFault(record, next)) continue;
        const before = record?.workedMin ?? 0;
        record = afterStageEntry(record, next, now);
        expect(record.workedMin).toBeGreaterThanOrEqual(before);
        expect(record.workedMin).toBeLessThanOrEqual(now - record.startMin);
        expect(['running', 'paused', 'done']).toContain(stageState(record));
      }
    }),
  );
});

test('a stage that nobody ended for ten years teaches no more than one that took four times as long', () => {
  const decade = 10 * 365 * 24 * 60;
  const taught = (min: number) => learnedHours([lessonOf([played([start, 0], [end, min])], [])]).iron!.factor;
  expect(taught(decade)).toBe(taught(80));
  expect(taught(decade)).toBeLessThan(4);
});

test('learned hours come to the truth: the error is halved after three jobs', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.5, max: 2, noNaN: true }), (truth) => {
      const job = (): StageRecord => played([{ ...start, predictedMin: 20 }, 0], [end, 20 * truth]);
      const learned = learnedHours([lessonOf([job()], []), lessonOf([job(), job()], [])]).iron!;
      expect(learned.observations).toBe(3);
      expect(Math.abs(Math.log(learned.factor / truth))).toBeLessThanOrEqual(0.5 * Math.abs(Math.log(truth)) + 1e-12);
    }),
  );
  expect(learnedHours([lessonOf([played([start, 0])], [])])).toEqual({});
});
