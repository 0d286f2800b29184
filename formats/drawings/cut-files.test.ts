import type { CutPlan } from '#core/film/cut-plan';
import { boundingBox, type Polygon, polygonAreaM2 } from '#core/item/geometry';
import { cutDxf, cutSvg } from './cut-files';
import { readOutlinesDxf } from './dxf';
import { readOutlinesSvg } from './svg';

const ELL: Polygon = [
  [100, 50],
  [700, 50],
  [700, 250],
  [300, 250],
  [300, 550],
  [100, 550],
];
const PLAN: CutPlan = {
  widthMm: 610,
  lengthMm: 700,
  idleMm: 0,
  pieces: [
    {
      id: 'wing & <door>',
      copy: 1,
      order: 1,
      label: 'Wing & <door>, left',
      outline: ELL,
      cutOuts: [],
      reliefs: [],
      at: [200, 150],
      up: [0, 1],
      stretch: { along: [1, 0], neededPct: 6, isTooMuch: false },
    },
  ],
};

test('what is written for the plotter is read again as the same outline, in both formats', () => {
  const dxf = readOutlinesDxf(cutDxf(PLAN)).outlines.map(({ pointsMm }) => pointsMm);
  const svg = readOutlinesSvg(cutSvg(PLAN, 'Job & <1>')).outlines.map(({ pointsMm }) => pointsMm);
  for (const found of [dxf, svg]) {
    const same = found.find((points) => Math.abs(polygonAreaM2(points) - polygonAreaM2(ELL)) < 1e-6);
    expect(same).toHaveLength(ELL.length);
    const [own, read] = [boundingBox(ELL), boundingBox(same!)];
    expect(read.maxX - read.minX).toBeCloseTo(own.maxX - own.minX, 1);
    expect(read.maxY - read.minY).toBeCloseTo(own.maxY - own.minY, 1);
  }
});
test('cuts, letters and the roll are apart, so that a plotter cuts only what is to be cut', () => {
  const layers = [...cutDxf(PLAN).matchAll(/\n8\n([^\n]+)/g)].map(([, layer]) => layer);
  expect(new Set(layers)).toEqual(new Set(['roll', 'cut', 'labels']));
  expect(cutSvg(PLAN, 'x')).toContain('1 Wing &amp; &lt;door&gt;, left');
});
