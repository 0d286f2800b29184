import { TEMPLATES } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { boundingBox } from '#core/item/geometry';
import { FILM_SET_IDS, frontStrips, panelsOfSet, wornEdges } from './sets';

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
test('of bonnet and wings a partial front covers half a metre; a strip that was split off is covered whole, nothing behind it', () => {
  const strips = frontStrips(netOf('hatchback').map((panel) => ({ ...panel, outline: panel.outlineMm })));
  expect(strips.map(({ panel }) => panel.id)).toEqual(['bonnet', 'front-wing-left', 'front-wing-right']);
  for (const { panel, share } of strips) {
    const { minX, maxX } = boundingBox(panel.outline);
    expect(share * (maxX - minX)).toBeCloseTo(500, 6);
  }
  const part = (id: string, from: number, to: number) => ({
    id,
    substrate: 'clear-gloss' as const,
    outline: [
      [from, 0],
      [to, 0],
      [to, 1000],
      [from, 1000],
    ] as const,
  });
  const split = [part('bonnet-a', 500, 1200), part('bonnet-b', 0, 500), part('bonnet-strip', 0, 600)];
  expect(frontStrips(split).map(({ panel, share }) => [panel.id, share])).toEqual([
    ['bonnet-b', 1],
    ['bonnet-strip', 1],
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
test('edges that wear: of each door the one that opens, and what luggage is dragged over; once split off, not again', () => {
  const net = netOf('hatchback').map((panel) => ({ ...panel, outline: panel.outlineMm }));
  const worn = wornEdges(net);
  expect(worn.map(({ panel, key }) => `${panel.id} ${key}`).sort()).toEqual([
    'front-door-left edge',
    'front-door-right edge',
    'rear-bumper lip',
    'rear-door-left edge',
    'rear-door-right edge',
  ]);
  for (const { panel, line, key } of worn) {
    const { minX, maxX, minY, maxY } = boundingBox(panel.outline);
    const edge = boundingBox(line);
    // It runs along most of the door's height, or of the bumper's breadth, at the rear of a door and the front of a bumper.
    expect(edge.maxY - edge.minY).toBeGreaterThan(0.7 * (maxY - minY));
    if (key === 'edge') expect(edge.maxX).toBeGreaterThan(maxX - 5);
    else expect(edge.minX).toBeLessThan(minX + 5);
  }
  const split = [...net, { ...net.find(({ id }) => id === 'front-door-left')!, id: 'front-door-edge-left' }];
  expect(wornEdges(split).map(({ panel }) => panel.id)).not.toContain('front-door-left');
  expect(wornEdges(split).map(({ panel }) => panel.id)).not.toContain('front-door-edge-left');
  expect(panelsOfSet('wear-spots', split).map(({ id }) => id)).toContain('front-door-edge-left');
});
