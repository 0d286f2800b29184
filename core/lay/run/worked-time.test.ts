/** Hours of a stage: what was worked and what was paused add up to the clock, whatever was tapped and undone. */
import fc from 'fast-check';
import { PAUSE_REASONS } from '#core/prepare/stages';
import { foldLog, type LoggedEntry } from '.';

const stage = { kind: 'clay', round: 1 } as const;
const minutes = fc.integer({ min: 1, max: 240 });
const aPause = fc.record({ workedMin: minutes, pausedMin: minutes, reason: fc.constantFrom(...PAUSE_REASONS) });

/** A stage from its start to its end, with so many pauses; each piece of time is told. */
function run(pauses: readonly { workedMin: number; pausedMin: number; reason: (typeof PAUSE_REASONS)[number] }[]) {
  const log: LoggedEntry[] = [{ id: 's', atMin: 10, entry: { type: 'stage-start', stage, predictedMin: 30 } }];
  let atMin = 10;
  for (const [index, { workedMin, pausedMin, reason }] of pauses.entries()) {
    log.push({ id: `p${index}`, atMin: (atMin += workedMin), entry: { type: 'stage-pause', stage, reason } });
    log.push({ id: `r${index}`, atMin: (atMin += pausedMin), entry: { type: 'stage-resume', stage } });
  }
  return { log, atMin };
}
const recordOf = (log: readonly LoggedEntry[]) => [...foldLog(log).stages.values()][0]!;
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);

test('worked and paused minutes are those between its first tap and its last', () => {
  fc.assert(
    fc.property(fc.array(aPause, { maxLength: 8 }), minutes, (pauses, last) => {
      const { log, atMin } = run(pauses);
      const ended = recordOf([...log, { id: 'e', atMin: atMin + last, entry: { type: 'stage-end', stage } }]);
      const paused = sum(ended.pauses.map(({ fromMin, toMin }) => toMin! - fromMin));
      expect(ended.workedMin).toBe(sum(pauses.map(({ workedMin }) => workedMin)) + last);
      expect(paused).toBe(sum(pauses.map(({ pausedMin }) => pausedMin)));
      expect(ended.workedMin + paused).toBe(ended.endMin! - ended.startMin);
      expect(ended.pauses.map(({ reason }) => reason)).toEqual(pauses.map(({ reason }) => reason));
    }),
  );
});

test('a stage that ends in a pause was worked up to the pause', () => {
  fc.assert(
    fc.property(fc.array(aPause, { minLength: 1, maxLength: 8 }), minutes, (pauses, idle) => {
      const { log } = run(pauses);
      const paused = log.slice(0, -1);
      const atMin = paused.at(-1)!.atMin + idle;
      const ended = recordOf([...paused, { id: 'e', atMin, entry: { type: 'stage-end', stage } }]);
      expect(ended.workedMin).toBe(sum(pauses.map(({ workedMin }) => workedMin)));
    }),
  );
});

test('with its end undone it runs on as if it had never ended', () => {
  fc.assert(
    fc.property(fc.array(aPause, { maxLength: 8 }), minutes, (pauses, last) => {
      const { log, atMin } = run(pauses);
      const end: LoggedEntry = { id: 'e', atMin: atMin + last, entry: { type: 'stage-end', stage } };
      const undone: LoggedEntry = { id: 'u', atMin: atMin + last, entry: { type: 'undo', entry: 'e' } };
      expect(recordOf([...log, end, undone])).toEqual(recordOf(log));
    }),
  );
});
