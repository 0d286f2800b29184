import { templateById } from '#core/item/nets';
import { firstSurfaces } from '#job/edit';
import { plainJob } from '../testing/plain-job';
import { closingList } from './closing-list';
import { remindersOf } from './reminders';

test('the small ends of an item come from its net: not in the job, nothing planned, or only to be looked at', () => {
  const template = templateById('hatchback')!;
  const { document } = plainJob({
    surfaces: firstSurfaces(template, template.usual),
    item: { name: 'Hatchback', template: { id: 'hatchback', ...template.usual } },
  });
  const lines = closingList(document);
  expect(lines).toContainEqual({ what: 'Exhaust tips', state: 'not-in-this-job' });
  expect(lines).toContainEqual({ what: 'Number plate', state: 'nothing-planned' });
  expect(lines).toContainEqual({ what: 'Recesses behind the handles, backs of the badges', state: 'look' });
  expect(lines.filter(({ what }) => /Parking sensor/.test(what)).every(({ state }) => state === 'look')).toBe(true);
  expect(closingList(plainJob({}).document)).toEqual([]);
});

test('what was left out comes back on its day, what belongs together as one line', () => {
  const scope = (surface: string, followUpOn?: string) => ({
    surface,
    state: 'excluded' as const,
    reason: 'wheels will be swapped',
    ...(followUpOn && { followUpOn, followUp: 'treat the summer wheels' }),
  });
  const { document } = plainJob({
    prepare: {
      scope: [
        scope('w1', '2027-04-01'),
        scope('w2', '2027-04-01'),
        scope('w3', '2027-04-01'),
        scope('door'),
        scope('cap', '2027-03-20'),
      ],
    },
  });
  expect(remindersOf(document)).toEqual([
    { what: 'cap: treat the summer wheels', on: '2027-03-20' },
    { what: '3 surfaces: treat the summer wheels', on: '2027-04-01' },
  ]);
});
