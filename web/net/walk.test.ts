/** Walking the net by arrow keys: every panel can be reached, and a step leads the way its key points. */
import { boundingBox } from '#core/item/geometry';
import { arrange, type PlacedPanel, TEMPLATES } from '#core/item/nets';
import { firstSurfaces } from '#job/edit';
import { plainJob } from '../../job/testing/plain-job';
import { panelTowards } from './walk';

const KEYS = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'] as const;
const middle = ({ outline }: PlacedPanel) => {
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  return { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
};

describe.each(TEMPLATES.map((template) => [template.id, template] as const))('%s', (_, template) => {
  const { document } = plainJob({
    surfaces: firstSurfaces(template, template.usual),
    item: { name: template.name, template: { id: template.id, ...template.usual } },
  });
  const { panels } = arrange(document);
  const at = new Map(panels.map((panel) => [panel.id, middle(panel)]));

  test('a step leads to another panel, the way its key points', () => {
    for (const { id } of panels) {
      const from = at.get(id)!;
      for (const key of KEYS) {
        const next = panelTowards(key, panels, id);
        if (next === undefined) continue;
        const to = at.get(next)!;
        const along = {
          ArrowLeft: from.x - to.x,
          ArrowRight: to.x - from.x,
          ArrowUp: from.y - to.y,
          ArrowDown: to.y - from.y,
        };
        expect([id, key, next, along[key] > 0]).toEqual([id, key, next, true]);
      }
    }
  });

  test('no way on is only at the edge of the sheet', () => {
    for (const { id } of panels) {
      const from = at.get(id)!;
      const others = panels.filter((panel) => panel.id !== id).map((panel) => at.get(panel.id)!);
      expect([id, panelTowards('ArrowRight', panels, id) === undefined]).toEqual([
        id,
        !others.some(({ x }) => x - from.x > 1),
      ]);
      expect([id, panelTowards('ArrowDown', panels, id) === undefined]).toEqual([
        id,
        !others.some(({ y }) => y - from.y > 1),
      ]);
    }
  });

  test('Home and End are the first and the last, and with none in hand any arrow begins at the first', () => {
    expect(panelTowards('Home', panels, panels.at(-1)!.id)).toBe(panels[0]!.id);
    expect(panelTowards('End', panels, undefined)).toBe(panels.at(-1)!.id);
    for (const key of KEYS) expect(panelTowards(key, panels, undefined)).toBe(panels[0]!.id);
    expect(panelTowards('ArrowLeft', panels, 'not there')).toBe(panels[0]!.id);
    expect(panelTowards('Enter', panels, panels[0]!.id)).toBeUndefined();
  });
});

test('on an empty sheet no key leads anywhere', () => {
  for (const key of [...KEYS, 'Home', 'End']) expect(panelTowards(key, [], undefined)).toBeUndefined();
});
