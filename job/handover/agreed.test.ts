/** What was agreed beside what was done. */
import { standingSurfaces } from '#core/care/upkeep';
import { foldLog, type LoggedEntry } from '#core/lay/run';
import { loggedEntries } from '#formats/log';
import { planInput } from '#job/plan';
import { playedLog } from '../../demo/play';
import { yardThatMorning } from '../../demo/that-morning';
import { agreedAndDone } from '.';

const { document } = yardThatMorning().jobs.find(({ id }) => id === 'slate-estate')!.draft;
const played = loggedEntries(document.startAt, playedLog(document, Infinity));
const seen = (log: readonly LoggedEntry[], of = document) => {
  const record = foldLog(log);
  return new Map(
    agreedAndDone(of, record, standingSurfaces(planInput(of), record, {})).map((panel) => [panel.surface, panel]),
  );
};

test('laid whole it is as agreed; nothing planned stays bare; half-way some is in part and the rest not done, and that first', () => {
  const whole = seen(played);
  expect([...new Set([...whole.values()].map(({ state }) => state))].toSorted()).toEqual(['bare', 'done']);
  expect(whole.get('rear-bumper-corner-left')!.state).toBe('bare');
  const half = seen(played.slice(0, Math.floor(played.length / 2)));
  const states = [...half.values()].map(({ state }) => state);
  expect(states[0]).toBe('lacking');
  expect(states).toContain('done');
  expect(states.lastIndexOf('lacking')).toBeLessThan(states.indexOf('done'));
});

test('left out it has its reason, excluded from the job another, and what is to be thought of again stays on it', () => {
  const before = played.filter(({ entry }) => !('patch' in entry && entry.patch.surface === 'roof'));
  const left = seen([
    ...before,
    { id: 'x', atMin: 9e3, entry: { type: 'left-out', surface: 'roof', reason: 'damaged' } },
  ]);
  expect(left.get('roof')).toMatchObject({ state: 'left-out', why: 'Damaged, or not fit for it', done: '' });
  const scope = [
    {
      surface: 'roof',
      state: 'excluded' as const,
      reason: 'at the painter’s',
      followUp: 'coat it',
      followUpOn: '2027-05-01',
    },
  ];
  const out = seen(before, { ...document, prepare: { ...document.prepare, scope } });
  expect(out.get('roof')).toMatchObject({
    state: 'excluded',
    why: 'at the painter’s',
    followUp: { what: 'coat it', on: '2027-05-01' },
  });
});
