import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readCalendar, scheduledSchema } from '#formats/schedule';
import { faultsOf } from '../formats/testing/faults';

// Each run starts a process; the machine may be busy with a browser.

const folder = mkdtempSync(path.join(tmpdir(), 'schedule-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const run = (file: unknown) => {
  const at = path.join(folder, 'calendar.json');
  writeFileSync(at, JSON.stringify(file));
  return spawnSync(process.execPath, ['.cache/bin/cli/schedule.js', at], { encoding: 'utf8' });
};
/** The night in which summer time begins: at two it is three. */
const file = (more: object = {}) => ({
  format: 'glaphyra.calendar/1',
  startAt: '2027-03-27T14:00:00+01:00',
  seconds: 20,
  resources: [
    { id: 'bay-1' },
    {
      id: 'ann',
      hours: [
        ['2027-03-27T14:00:00+01:00', '2027-03-27T18:00:00+01:00'],
        ['2027-03-28T08:00:00+02:00', '2027-03-28T18:00:00+02:00'],
      ],
    },
  ],
  tasks: [
    { id: 'base', min: 180, needs: [{ anyOf: ['bay-1'] }, { anyOf: ['ann'] }] },
    { id: 'top', min: 90, needs: [{ anyOf: ['bay-1'] }, { anyOf: ['ann'] }] },
    { id: 'wash', min: 120, needs: [{ anyOf: ['ann'] }], pausable: true },
  ],
  lags: [{ after: 'base', before: 'top', minMin: 600, maxMin: 900 }],
  due: [{ task: 'top', by: '2027-03-28T09:30:00+02:00', weight: 2 }],
  ...more,
});

test('a file in, a calendar out, proven, through the night of summer time', () => {
  const { status, stdout, stderr } = run(file());
  expect([status, stderr]).toEqual([0, '']);
  const scheduled = scheduledSchema.parse(JSON.parse(stdout));
  expect(scheduled).toMatchObject({ proven: true, unplaced: [], lateMin: { top: 0 } });
  const [base, top] = scheduled.tasks;
  expect(base!.from).toBe('2027-03-27T14:00:00+01:00');
  // At eight on the wall, seventeen hours after three: one of them was never there.
  expect([top!.from, Date.parse(top!.from)]).toEqual([
    '2027-03-28T07:00:00+01:00',
    Date.parse('2027-03-28T08:00:00+02:00'),
  ]);
  expect(scheduled.tasks[2]!.uses).toEqual(['ann']);
  expect(run(file()).stdout).toBe(stdout);
});

test('every fault with its place; nothing is written, exit 2', () => {
  const bad = run({ ...file(), seconds: -1, lags: [{ after: 'base', before: 'nowhere' }] });
  expect([bad.status, bad.stdout]).toEqual([2, '']);
  expect(bad.stderr).toContain('lags[0].before: there is no task "nowhere" in this file');
  expect(bad.stderr).toContain('seconds: expected a positive number');
  const [ann] = file().resources.slice(1);
  const faults = faultsOf(() =>
    readCalendar(
      file({
        resources: [
          ...file().resources,
          { ...ann, hours: [['2027-03-28T08:00:00+02:00', '2027-03-28T07:00:00+01:00']] },
        ],
        tasks: [{ id: 'x', min: 1.5, needs: [{ anyOf: ['ann', 'ben'], count: 3 }], at: '2027-03-27T14:00:30+01:00' }],
        lags: [],
        due: [],
      }),
    ),
  ).map(({ path: where }) => where);
  expect(faults.toSorted()).toEqual([
    'resources[2].hours[0]',
    'resources[2].id',
    'tasks[0].at',
    'tasks[0].min',
    'tasks[0].needs[0].anyOf[1]',
    'tasks[0].needs[0].count',
  ]);
});
