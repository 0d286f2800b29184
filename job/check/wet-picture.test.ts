/** A wet picture over the net: what sheets on it is found again when it is dry. */
import { foldLog, type LoggedEntry } from '#core/lay/run';
import { yardThatMorning } from '../../demo/that-morning';
import { checkNet, laidOver, onPanel, onSheet, panelDrops, shownAt } from '.';

const { document } = yardThatMorning().jobs.find(({ id }) => id === 'teal-hatchback')!.draft;
const { panels } = checkNet(document, new Set(['bonnet']));
const size = { widthPx: 1600, heightPx: 1200 };
const place = (at: [number, number], on: [number, number]) => ({ at, surface: 'bonnet', on });

test('two corners of the bonnet matched, a dry patch touched on the picture is found at its place on the panel', () => {
  // The bonnet fills the middle of the picture, upright.
  const [corner, other] = [
    onSheet(panels, { surface: 'bonnet', on: [0, 0] })!,
    onSheet(panels, { surface: 'bonnet', on: [1, 1] })!,
  ];
  const ratio = (other[1] - corner[1]) / (other[0] - corner[0]);
  const wide = 1200;
  const [left, top] = [200 / 1600, 100 / 1200];
  const [right, foot] = [(200 + wide) / 1600, (100 + wide * ratio) / 1200];
  const picture = { ...size, matched: [place([left, top], [0, 0]), place([right, foot], [1, 1])] };
  const found = shownAt(panels, picture, [(left + right) / 2, (top + foot) / 2])!;
  expect(found.surface).toBe('bonnet');
  expect(found.at.map((share) => Math.round(share * 100))).toEqual([50, 50]);
  expect(laidOver(panels, picture)!.offMm).toBeLessThan(1e-6);
});

test('with one place matched, or two on a panel that is gone, nothing is said of where it lies', () => {
  expect(laidOver(panels, { ...size, matched: [place([0, 0], [0, 0])] })).toBeUndefined();
  expect(laidOver(panels, { ...size, matched: null })).toBeUndefined();
  const gone = [place([0, 0], [0, 0]), place([1, 1], [1, 1])].map((each) => ({ ...each, surface: 'gone' }));
  expect(laidOver(panels, { ...size, matched: gone })).toBeUndefined();
  expect(onPanel(panels, [-1e7, 0])).toBeUndefined();
});

test('drops are told from those on the bare panel read last; without one nothing is claimed', () => {
  const drop = (surface: string, deg: number, nth: number): LoggedEntry => ({
    id: `d${nth}`,
    atMin: nth,
    entry: { type: 'bead', surface, deg, sigmaDeg: 3 },
  });
  const laid = new Set(['bonnet', 'roof']);
  const alone = panelDrops(foldLog([drop('bonnet', 104, 1)]), laid);
  expect(alone).toMatchObject([{ surface: 'bonnet', beads: true, isLaid: true }]);
  expect(alone[0]!.beside).toBeUndefined();
  const beside = panelDrops(
    foldLog([drop('bonnet', 104, 1), drop('boot-lid', 66, 2), drop('roof', 68, 3), drop('bonnet', 99, 4)]),
    laid,
  );
  expect(beside.map(({ surface, beside: told, readings }) => [surface, told, readings.length])).toEqual([
    ['bonnet', 'stands', 2],
    ['boot-lid', undefined, 1],
    ['roof', 'like-bare', 1],
  ]);
});
