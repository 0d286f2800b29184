import { RULE_IDS } from '#core/layers/rules';
import { jumpGroups } from './places';

const known = {
  jobs: [{ id: 'teal', title: 'Teal hatchback', ownerName: 'Imke Varga' }],
  items: [{ id: 'item of imke', name: 'Teal hatchback', ownerName: null }],
  products: [{ id: 'lantern', sheet: { name: 'Lantern Glass' } }],
  station: 'layer',
} as never as Parameters<typeof jumpGroups>[0];

test('outside a job there are places, jobs, items, products and all the rules', () => {
  const groups = jumpGroups(known);
  expect(groups.map(({ name }) => name)).toEqual(['Places and commands', 'Jobs', 'Items', 'Products', 'Rules']);
  expect(groups.at(-1)!.jumps).toHaveLength(RULE_IDS.length);
  expect(groups[2]!.jumps[0]!.to).toBe('/items/item%20of%20imke');
});

test('in a job its stations come first, and a panel is opened in the station one is in', () => {
  const current = { id: 'teal', title: 'Teal hatchback', panels: [['roof & rails', 'Roof']] as const };
  const [stations, panels] = jumpGroups({ ...known, current });
  expect(stations!.jumps.map(({ name }) => name)).toEqual([
    'Survey',
    'Prepare',
    'Layer',
    'Quantify',
    'Time',
    'Run',
    'Check',
    'Hand over',
    'Care & removal',
  ]);
  expect(panels!.jumps).toEqual([
    { key: 'roof & rails', name: 'Roof', to: '/jobs/teal/layer?panel=roof%20%26%20rails' },
  ]);
});

test('no two entries of a group lead by one key', () => {
  for (const { jumps } of jumpGroups(known)) expect(new Set(jumps.map(({ key }) => key)).size).toBe(jumps.length);
});
