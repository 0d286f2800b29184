import { CREW_ROLES, hoursOf, minutesWithin, type Person, withHands } from '.';

const person = (id: string, more: Partial<Person> = {}): Person => ({
  id,
  layM2PerMin: 0.1,
  levelM2PerMin: 0.2,
  does: CREW_ROLES,
  ...more,
});
const comes = (atMin: number, does = CREW_ROLES as Person['does']) => ({ atMin, does });
const goes = (atMin: number) => ({ atMin });
const thereOf = (people: readonly Person[], id: string) =>
  minutesWithin(hoursOf(people.find((each) => each.id === id)!), 0, 1000);

test('who joins is there from then on, who leaves until then, who comes back again', () => {
  const planned = [person('1'), person('2', { hours: [[0, 400]] })];
  expect(withHands(planned, new Map())).toBe(planned);
  const people = withHands(
    planned,
    new Map([
      ['1', [goes(100), comes(300), goes(900)]],
      ['3', [comes(250, ['level'])]],
    ]),
  );
  expect(['1', '2', '3'].map((id) => thereOf(people, id))).toEqual([700, 400, 750]);
  expect(people.at(-1)).toMatchObject({ id: '3', does: ['level'], levelM2PerMin: 0.2 });
});

test('the work is not left without hands: who is left does what nobody else does, and somebody is always left', () => {
  const planned = [person('lays', { does: ['lay'] }), person('levels', { does: ['level'] })];
  const alone = withHands(planned, new Map([['levels', [goes(50)]]]));
  expect(alone.find(({ id }) => id === 'lays')!.does).toEqual(CREW_ROLES);
  expect(thereOf(alone, 'levels')).toBe(50);
  expect(
    withHands(
      planned,
      new Map([
        ['lays', [goes(50)]],
        ['levels', [goes(60)]],
      ]),
    ),
  ).toBe(planned);
  const helped = withHands(
    planned,
    new Map([
      ['levels', [goes(50)]],
      ['3', [comes(60, ['level'])]],
    ]),
  );
  expect(helped.map(({ does }) => does)).toEqual([['lay'], ['level'], ['level']]);
});
