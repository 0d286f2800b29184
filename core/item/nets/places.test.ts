/** What is low and what is hit, told from where a panel lies on the unfolded item. */
import { hitHarder } from './hit';
import { lowHalf } from './low-half';
import { templateById } from './templates';

const net = (id: string) => {
  const template = templateById(id)!;
  return template.unfold(template.usual).panels;
};

test.each([
  [
    'hatchback',
    ['sill-left', 'front-bumper-corner-right', 'front-door-left'],
    ['roof', 'bonnet', 'front-door-glass-left'],
  ],
  ['high-van', ['sill-left'], ['roof']],
  ['saloon', ['sill-left', 'sill-right'], ['roof', 'bonnet']],
] as const)('%s: doors, sills and bumpers are low, tops and glass are not', (id, low, high) => {
  const found = lowHalf(net(id));
  const there = net(id).map((panel) => panel.id);
  for (const panel of low.filter((each) => there.includes(each)))
    expect([panel, found.has(panel)]).toEqual([panel, true]);
  for (const panel of high.filter((each) => there.includes(each)))
    expect([panel, found.has(panel)]).toEqual([panel, false]);
});

test('stones hit the bonnet, the bumper, mirrors and sills; not the roof, the boot or the glass of a door', () => {
  const hit = hitHarder(net('saloon'));
  for (const panel of ['bonnet', 'front-bumper', 'mirror-left', 'sill-right'])
    expect([panel, hit.has(panel)]).toEqual([panel, true]);
  for (const panel of ['roof', 'boot-lid', 'front-door-glass-left'])
    expect([panel, hit.has(panel)]).toEqual([panel, false]);
});

test('an empty item has neither', () => {
  expect([lowHalf([]).size, hitHarder([]).size]).toEqual([0, 0]);
});
