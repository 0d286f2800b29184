import Papa from 'papaparse';
import { type Point, polygonAreaM2, shapeAreaM2 } from '#core/item/geometry';
import { pathPoints, TEMPLATES } from '#core/item/nets';
import { type Job, jobSchema } from '#formats/job';
import { netDxf, netSvg, surfacesCsv } from './net-files';

const template = TEMPLATES[0]!;
const net = template.unfold(template.usual);
const surface = (changes: object) => ({ substrate: 'clear-gloss', layers: [], ...changes });
const job: Job = jobSchema.parse({
  format: 'glaphyra.job/1',
  title: 'Hatchback <& "twin">',
  startAt: '2027-03-02T08:30:00+01:00',
  surfaces: [
    ...net.panels.map(({ id, name, outlineMm }) =>
      surface({ id, name, shape: { kind: 'polygon', pointsMm: outlineMm }, measuredBy: 'template' }),
    ),
    surface({ id: '=cmd', name: '=1+1', shape: { kind: 'rectangle', aMm: 400, bMm: 300 }, count: 3, curvature: 1.1 }),
    surface({ id: 'ring', shape: { kind: 'ring', outerMm: 440, innerMm: 120 } }),
  ],
  products: [],
  ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
  item: { name: 'Hatchback', template: { id: template.id, ...template.usual } },
});
const polygons = job.surfaces.filter(({ shape }) => shape.kind === 'polygon');

test('outlines come back from an SVG as they went out, at true scale', () => {
  const svg = netSvg(job);
  const paths = new Map([...svg.matchAll(/<path id="([^"]+)" d="([^"]+)"/g)].map(([, id, d]) => [id!, pathPoints(d!)]));
  for (const { id, shape } of polygons) {
    expect(polygonAreaM2(paths.get(id)!)).toBeCloseTo(shapeAreaM2(shape), 3);
  }
  expect(svg).toContain('Hatchback &lt;&amp; &quot;twin&quot;&gt;');
  const [, width, box] = /width="([\d.]+)mm".*viewBox="\S+ \S+ (\S+)/.exec(svg)!;
  expect(width).toBe(box);
});

test('outlines come back from a DXF, in millimetres, each on a layer of its own', () => {
  const lines = netDxf(job).split('\n');
  const codes = lines.flatMap((line, index) => (index % 2 === 0 ? [[Number(line), lines[index + 1]!] as const] : []));
  expect(codes).toContainEqual([70, '4']);
  expect(codes.at(-2)).toEqual([0, 'EOF']);
  const outlines = new Map<string, Point[]>();
  let layer = '';
  for (const [index, [code, value]] of codes.entries()) {
    if (code === 8) layer = value;
    if (code === 10)
      outlines.set(layer, [...(outlines.get(layer) ?? []), [Number(value), Number(codes[index + 1]![1])]]);
  }
  for (const { id, shape } of polygons) expect(polygonAreaM2(outlines.get(id)!)).toBeCloseTo(shapeAreaM2(shape), 3);
  expect(outlines.has('_cmd')).toBe(true);
});

test('the table has every surface with its area and edge, and no cell that a spreadsheet would run', () => {
  const text = surfacesCsv(job);
  const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  expect(data).toHaveLength(job.surfaces.length);
  const plate = data.find((row) => row.name!.includes('1+1'))!;
  expect(plate).toMatchObject({
    copies: '3',
    'area of one, m2': '0.1320',
    'area of all, m2': '0.3960',
    'edge of one, mm': '1400',
  });
  expect(plate.name!.startsWith('=')).toBe(false);
});
