import { boundingBox, containsPoint } from '#core/item/geometry';
import { arrange, TEMPLATES } from '#core/item/nets';
import { firstSurfaces } from '#job/edit';
import { nameOnNet, type PlacedLabel, placeLabels } from './labels';

/** The room the net has on a desk of 1280 by 800, and on a tablet held upright, pixels. */
const ROOMS = [
  [848, 535],
  [820, 470],
] as const;

function labelled(template: (typeof TEMPLATES)[number], [width, height]: (typeof ROOMS)[number]) {
  const surfaces = firstSurfaces(template, template.usual);
  const { panels, box } = arrange({ surfaces, item: { template: { id: template.id, ...template.usual } } });
  const unit = Math.max((box.maxX - box.minX) / (width - 60), (box.maxY - box.minY) / (height - 74));
  const within = {
    minX: box.minX - 30 * unit,
    maxX: box.maxX + 30 * unit,
    minY: box.minY - 30 * unit,
    maxY: box.maxY + 30 * unit,
  };
  const wishes = panels.map((panel) => ({ panel, name: nameOnNet(panel), caption: '0.71 m²', must: false }));
  return { panels, unit, within, labels: placeLabels(wishes, unit, within) };
}

const boxOf = ({ at: [x, y], lines, px, turned }: PlacedLabel, unit: number) => {
  const wide = (Math.max(...lines.map(({ text }) => text.length)) * px * 0.52 * unit) / 2;
  const high = (lines.length * px * unit) / 2;
  const [w, h] = turned ? [high, wide] : [wide, high];
  return { minX: x - w, maxX: x + w, minY: y - h, maxY: y + h };
};

describe.each(TEMPLATES.map((template) => [template.id, template] as const))('the names on a %s', (_, template) => {
  test.each([0, 1] as const)('in room %i are whole, on their panel or led to free paper', (room) => {
    const { panels, unit, within, labels } = labelled(template, ROOMS[room]);
    const outlines = new Map(panels.map(({ id, outline }) => [id, outline]));
    const names = new Map(panels.map((panel) => [panel.id, nameOnNet(panel)]));
    for (const label of labels) {
      const said = label.lines
        .filter(({ strong }) => !strong)
        .map(({ text }) => text)
        .join(' ');
      if (said !== '') expect(said).toBe(names.get(label.id));
      if (!label.leader) {
        expect(containsPoint(outlines.get(label.id)!, label.at)).toBe(true);
        continue;
      }
      const own = boxOf(label, unit);
      const corners = [
        [own.minX, own.minY],
        [own.maxX, own.minY],
        [own.minX, own.maxY],
        [own.maxX, own.maxY],
      ] as const;
      for (const corner of corners) {
        expect(panels.filter(({ outline }) => containsPoint(outline, corner)).map(({ id }) => id)).toEqual([]);
        expect(corner[0] > within.minX && corner[0] < within.maxX).toBe(true);
      }
    }
    const led = labels.filter(({ leader }) => leader).map((label) => boxOf(label, unit));
    for (const [index, a] of led.entries()) {
      for (const b of led.slice(index + 1)) {
        expect(a.minX < b.maxX && b.minX < a.maxX && a.minY < b.maxY && b.minY < a.maxY).toBe(false);
      }
    }
    // What has room enough to be touched has its name.
    const named = new Set(labels.filter(({ lines }) => lines.some(({ strong }) => !strong)).map(({ id }) => id));
    const large = panels.filter(({ outline }) => {
      const { minX, minY, maxX, maxY } = boundingBox(outline);
      return ((maxX - minX) * (maxY - minY)) / unit ** 2 > 2500;
    });
    expect(large.filter(({ id }) => !named.has(id)).map(({ name }) => name)).toEqual([]);
  });
});

test('the panel in hand is named wherever it lies', () => {
  const template = TEMPLATES.find(({ id }) => id === 'hatchback')!;
  const { panels, unit, within } = labelled(template, ROOMS[0]);
  for (const chosen of panels) {
    const wishes = panels.map((panel) => ({ panel, name: nameOnNet(panel), caption: '', must: panel === chosen }));
    const own = placeLabels(wishes, unit, within).filter(({ id }) => id === chosen.id);
    expect(own.some(({ lines }) => lines.map(({ text }) => text).join(' ') === nameOnNet(chosen))).toBe(true);
  }
});
