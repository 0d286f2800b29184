import { TEMPLATES } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { FILM_SET_IDS, panelsOfSet } from './sets';

const netOf = (id: string) => {
  const template = TEMPLATES.find((each) => each.id === id)!;
  return template.unfold(template.usual).panels;
};
const ids = (set: (typeof FILM_SET_IDS)[number], item: string) => panelsOfSet(set, netOf(item)).map(({ id }) => id);

test('the front of a hatchback: bumper, mirrors and lamps, then bonnet and wings as well', () => {
  const partial = ids('partial-front', 'hatchback');
  expect(partial).toEqual([
    'front-bumper',
    'front-bumper-corner-left',
    'front-bumper-corner-right',
    'headlamp-left',
    'headlamp-right',
    'mirror-left',
    'mirror-right',
  ]);
  expect(ids('full-front', 'hatchback').filter((id) => !partial.includes(id))).toEqual([
    'bonnet',
    'front-wing-left',
    'front-wing-right',
  ]);
});
test('law: on every template each set is within the next, none on glass, wheels, sensors or inside', () => {
  for (const { id } of TEMPLATES) {
    const [partial, full, whole] = (['partial-front', 'full-front', 'full-wrap'] as const).map((set) => ids(set, id));
    expect([id, partial!.every((each) => full!.includes(each)), full!.every((each) => whole!.includes(each))]).toEqual([
      id,
      true,
      true,
    ]);
    for (const set of FILM_SET_IDS) {
      for (const { substrate } of panelsOfSet(set, netOf(id))) {
        const { glass, keepClear } = SUBSTRATES[substrate];
        expect([id, set, substrate, glass ?? false, keepClear ?? false]).toEqual([id, set, substrate, false, false]);
      }
    }
  }
});
