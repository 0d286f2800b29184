import fc from 'fast-check';
import { boundingBox, type Point, type Polygon, polygonAreaM2 } from '#core/item/geometry';
import { TEMPLATES } from '#core/item/nets';
import { jobSchema } from '#formats/job';
import { readOutlinesDxf } from './dxf';
import { netDxf, netSvg } from './net-files';
import { type Drawing, DrawingError, drawingSizeMm } from './outlines';
import { readOutlinesSvg } from './svg';

// Generous: the machine may be busy with a browser.

/** Within what flattening to a tenth of a millimetre takes off a small curve. */
const nearly = (area: number) => expect.closeTo(area, -Math.log10(2 * 0.005 * area)) as number;
const areas = ({ outlines }: Drawing) => outlines.map(({ pointsMm }) => polygonAreaM2(pointsMm));

/** From an illustration program: millimetres in the size, a view box, layers, a moved group, its own namespace. */
const ILLUSTRATED = `<?xml version="1.0" encoding="UTF-8" standalone="no"?>
<!-- Created by hand, as such programs write it -->
<svg width="297mm" height="210mm" viewBox="0 0 297 210" version="1.1"
  xmlns:inkscape="http://www.inkscape.org/namespaces/inkscape" xmlns="http://www.w3.org/2000/svg">
  <defs><clipPath id="clip"><rect width="9" height="9" /></clipPath></defs>
  <g inkscape:label="Hull" inkscape:groupmode="layer" id="layer1" transform="translate(10,20)">
    <path id="p1" inkscape:label="Deck" style="fill:none;stroke:#000" d="m 0,0 h 200 v 100 h -200 z" />
    <circle id="port" cx="50" cy="50" r="20" transform="matrix(1,0,0,1,0,100)" />
    <path id="open" d="M 0,0 L 30,0 L 30,30" />
    <path id="nearly" d="M 0,0 L 60,0 L 60,60 L 0.5,0.5" />
    <path id="bow" d="M 0,0 L 60,60 L 60,0 L 0,60 Z" />
  </g>
  <g inkscape:label="Hidden" inkscape:groupmode="layer" style="display:none"><rect width="50" height="50" /></g>
  <g id="plain"><rect x="1cm" y="10" width="100" height="50" rx="10" /><polyline points="0,0 10,0 10,10" /></g>
</svg>`;

describe('SVG', () => {
  const drawing = readOutlinesSvg(ILLUSTRATED);

  test('layers, moved groups, shapes and curves, in the unit its size says', () => {
    expect([drawing.unit, drawing.unitSaid]).toEqual(['mm', true]);
    expect(drawing.outlines.map(({ layer, name }) => `${layer}/${name}`)).toEqual([
      'Hull/Deck',
      'Hull/port',
      'Hull/nearly',
      'plain/rect',
    ]);
    const [deck, port, , rounded] = drawing.outlines;
    expect(boundingBox(deck!.pointsMm)).toEqual({ minX: 10, maxX: 210, minY: -120, maxY: -20 });
    // A circle flattened to a tenth of a millimetre.
    expect(polygonAreaM2(port!.pointsMm) * 1e6).toBeCloseTo(Math.PI * 400, -1.2);
    expect(polygonAreaM2(rounded!.pointsMm) * 1e6).toBeCloseTo(5000 - (4 - Math.PI) * 100, -1.2);
  });

  test('what is open or crosses itself is left out with its place, a small gap is closed', () => {
    expect(drawing.leftOut.map(({ name, why }) => [name, why.split(';')[0]])).toEqual([
      ['bow', 'crosses or touches itself'],
      ['open', expect.stringContaining('is open: its ends lie 42 mm apart')],
      ['polyline', expect.stringContaining('is open')],
    ]);
    expect(drawing.leftOut[1]!.atMm).toEqual([40, -50]);
  });

  test('a size without a unit is asked about, and the answer counts', () => {
    const bare = '<svg viewBox="0 0 100 100"><rect width="100" height="50"/></svg>';
    expect(readOutlinesSvg(bare)).toMatchObject({ unit: 'mm', unitSaid: false });
    expect(areas(readOutlinesSvg(bare, 'in'))[0]! * 1e6).toBeCloseTo(5000 * 25.4 ** 2, 3);
    const pixels = '<svg width="96" height="96"><rect width="96" height="96"/></svg>';
    expect(drawingSizeMm(readOutlinesSvg(pixels, 'px'))).toEqual({ widthMm: 25.4, heightMm: 25.4 });
  });

  test('nested turns and mirrors are followed', () => {
    const turned = `<svg width="100mm" height="100mm" viewBox="0 0 100 100"><g transform="rotate(90)"><g transform="scale(-1,2)">
      <rect x="10" y="10" width="20" height="10"/></g></g></svg>`;
    const { minX, maxX, minY, maxY } = boundingBox(readOutlinesSvg(turned).outlines[0]!.pointsMm);
    expect([minX, maxX, minY, maxY].map((n) => Math.round(n))).toEqual([-40, -20, 10, 30]);
  });

  test.each(['', 'bonnet;120', '<html><body/></html>', '<svg><path d="M0 0 L5"/></svg>'])('no SVG: %j', (text) => {
    expect(() => readOutlinesSvg(text)).toThrow(DrawingError);
  });
});

const pairs = (...codes: readonly (readonly [number, string | number])[]) =>
  codes.map(([code, value]) => `${code}\n${value}`).join('\n');
const section = (name: string, body: string) => `${pairs([0, 'SECTION'], [2, name])}\n${body}\n${pairs([0, 'ENDSEC'])}`;
const dxf = (entities: string, units?: number, blocks = '') =>
  [
    ...(units === undefined ? [] : [section('HEADER', pairs([9, '$INSUNITS'], [70, units]))]),
    ...(blocks ? [section('BLOCKS', blocks)] : []),
    section('ENTITIES', entities),
    pairs([0, 'EOF']),
    '',
  ].join('\n');
const line = (layer: string, [x1, y1]: Point, [x2, y2]: Point) =>
  pairs([0, 'LINE'], [8, layer], [10, x1], [20, y1], [11, x2], [21, y2]);

describe('DXF', () => {
  test('lines and arcs that meet end to end are one outline, by layer', () => {
    // A slot: two lines and two half circles, drawn in no order and partly backwards.
    const slot = [
      line('slot', [0, 0], [100, 0]),
      pairs([0, 'ARC'], [8, 'slot'], [10, 0], [20, 20], [40, 20], [50, 90], [51, 270]),
      line('slot', [0, 40], [100, 40]),
      pairs([0, 'ARC'], [8, 'slot'], [10, 100], [20, 20], [40, 20], [50, 270], [51, 90]),
      line('loose', [0, 0], [5, 5]),
    ].join('\n');
    const drawing = readOutlinesDxf(dxf(slot, 4));
    expect(drawing).toMatchObject({ unit: 'mm', unitSaid: true, outlines: [{ layer: 'slot' }] });
    expect(areas(drawing)[0]! * 1e6).toEqual(nearly(4000 + Math.PI * 400));
    expect(drawing.leftOut).toMatchObject([{ layer: 'loose', atMm: [5, 5] }]);
  });

  test('bulges are arcs, and inches are inches', () => {
    // A square with one side bulged out to a half circle.
    const square = pairs(
      [0, 'LWPOLYLINE'],
      [8, 'panel'],
      [90, 4],
      [70, 1],
      [10, 0],
      [20, 0],
      [10, 10],
      [20, 0],
      [42, 1],
      [10, 10],
      [20, 10],
      [10, 0],
      [20, 10],
    );
    const drawing = readOutlinesDxf(dxf(square, 1));
    expect(areas(drawing)[0]! / 25.4 ** 2 / 1e-6).toBeCloseTo(100 + (Math.PI * 25) / 2, 0);
    expect(drawing.unit).toBe('in');
    expect(drawingSizeMm(drawing).widthMm).toBeCloseTo(15 * 25.4, 0);
  });

  test('splines, ellipses and circles are flattened; blocks are scaled, turned and placed', () => {
    // A clamped cubic spline that is the straight line from (0, 0) to (90, 0), closed by two lines.
    const spline = [
      pairs([0, 'SPLINE'], [8, 's'], [70, 8], [71, 3], [72, 8], [73, 4]),
      pairs(...[0, 0, 0, 0, 1, 1, 1, 1].map((knot) => [40, knot] as const)),
      pairs(...[0, 30, 60, 90].flatMap((x) => [[10, x] as const, [20, 0] as const, [30, 0] as const])),
      line('s', [90, 0], [45, 60]),
      line('s', [45, 60], [0, 0]),
    ].join('\n');
    const ellipse = pairs(
      [0, 'ELLIPSE'],
      [8, 'e'],
      [10, 500],
      [20, 0],
      [11, 0],
      [21, 40],
      [40, 0.5],
      [41, 0],
      [42, 6.283185307],
    );
    const block = [
      pairs([0, 'BLOCK'], [8, '0'], [2, 'LID'], [70, 0], [10, 0], [20, 0]),
      pairs([0, 'CIRCLE'], [8, '0'], [10, 10], [20, 0], [40, 5]),
      pairs([0, 'ENDBLK'], [8, '0']),
    ].join('\n');
    const insert = pairs([0, 'INSERT'], [8, 'lids'], [2, 'LID'], [10, 1000], [20, 200], [41, 2], [42, 2], [50, 90]);
    const drawing = readOutlinesDxf(dxf([spline, ellipse, insert].join('\n'), 4, block));
    const found = Object.fromEntries(drawing.outlines.map(({ layer, pointsMm }) => [layer, pointsMm]));
    expect(Object.keys(found).sort()).toEqual(['e', 'lids', 's']);
    expect(polygonAreaM2(found.s!) * 1e6).toBeCloseTo(2700, 3);
    expect(polygonAreaM2(found.e!) * 1e6).toEqual(nearly(Math.PI * 40 * 20));
    const { minX, maxX, minY, maxY } = boundingBox(found.lids!);
    expect([minX, maxX, minY, maxY].map((n) => Math.round(n))).toEqual([990, 1010, 210, 230]);
  });

  test.each(['', 'not a drawing', '<svg/>'])('no DXF: %j', (text) => {
    expect(() => readOutlinesDxf(text)).toThrow(DrawingError);
  });
});

describe('out and in again', () => {
  const mirrored = (outline: Polygon) => outline.map(([x, y]): Point => [x, -y]);
  test.each(TEMPLATES.map((template) => [template.id, template] as const))('%s', (_, template) => {
    const job = jobSchema.parse({
      format: 'glaphyra.job/1',
      title: 'Out and in',
      startAt: '2027-03-02T08:30:00+01:00',
      surfaces: template.unfold(template.usual).panels.map(({ id, name, outlineMm }) => ({
        id,
        name,
        substrate: 'clear-gloss',
        layers: [],
        shape: { kind: 'polygon', pointsMm: outlineMm },
        measuredBy: 'template',
      })),
      products: [],
      ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
      item: { name: 'Item', template: { id: template.id, ...template.usual } },
    });
    const fromSvg = new Map(readOutlinesSvg(netSvg(job)).outlines.map(({ name, pointsMm }) => [name, pointsMm]));
    const fromDxf = new Map(readOutlinesDxf(netDxf(job)).outlines.map(({ layer, pointsMm }) => [layer, pointsMm]));
    for (const { id, shape } of job.surfaces) {
      if (shape.kind !== 'polygon') continue;
      for (const found of [fromSvg.get(id), fromDxf.get(id)]) {
        expect([id, polygonAreaM2(found!)]).toEqual([id, expect.closeTo(polygonAreaM2(shape.pointsMm), 3)]);
        const [is, was] = [boundingBox(found!), boundingBox(mirrored(mirrored(shape.pointsMm)))];
        for (const side of ['minX', 'maxX', 'minY', 'maxY'] as const) expect(is[side]).toBeCloseTo(was[side], 0);
      }
    }
  });

  test('any outline comes back from both as it went out, to a tenth of a millimetre', () => {
    const corners = fc.array(fc.tuple(fc.integer({ min: 200, max: 3000 }), fc.integer({ min: 1, max: 99 })), {
      minLength: 3,
      maxLength: 30,
    });
    fc.assert(
      fc.property(corners, (spokes) => {
        // A star about its middle never crosses itself.
        const pointsMm = spokes.map(([radius, jitter], index): [number, number] => {
          const angle = (2 * Math.PI * (index + jitter / 200)) / spokes.length;
          return [5000 + radius * Math.cos(angle), 3000 + radius * Math.sin(angle)];
        });
        const job = jobSchema.parse({
          format: 'glaphyra.job/1',
          title: 'Star',
          startAt: '2027-03-02T08:30:00+01:00',
          surfaces: [
            { id: 'star', substrate: 'wood', layers: [], shape: { kind: 'polygon', pointsMm }, onSheet: true },
          ],
          products: [],
          ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
        });
        for (const { outlines } of [readOutlinesSvg(netSvg(job)), readOutlinesDxf(netDxf(job))]) {
          expect(outlines).toHaveLength(1);
          for (const [index, [x, y]] of outlines[0]!.pointsMm.entries()) {
            expect(Math.hypot(x - pointsMm[index]![0], y - pointsMm[index]![1])).toBeLessThan(0.1);
          }
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('hostile drawings', () => {
  const readers = [readOutlinesSvg, readOutlinesDxf] as const;
  /** A reader says that it cannot read, or answers with sound outlines; nothing else. */
  const answersSoundly = (text: string) => {
    for (const reader of readers) {
      let drawing: Drawing;
      try {
        drawing = reader(text);
      } catch (error) {
        expect(error).toBeInstanceOf(DrawingError);
        continue;
      }
      for (const { pointsMm } of drawing.outlines) {
        expect(pointsMm.length).toBeGreaterThanOrEqual(3);
        expect(pointsMm.flat().every(Number.isFinite)).toBe(true);
      }
    }
  };

  test('whatever is read', () => {
    fc.assert(fc.property(fc.string({ maxLength: 400 }), answersSoundly));
  });

  test('a good file with a piece cut out or doubled', () => {
    const good = [
      ILLUSTRATED,
      dxf(line('a', [0, 0], [10, 0]) + '\n' + line('a', [10, 0], [5, 9]) + '\n' + line('a', [5, 9], [0, 0]), 4),
    ];
    fc.assert(
      fc.property(fc.constantFrom(...good), fc.nat(), fc.nat(200), fc.boolean(), (text, start, length, doubled) => {
        const from = start % text.length;
        const cut = text.slice(from, from + length);
        answersSoundly(text.slice(0, from) + (doubled ? cut + cut : '') + text.slice(from + length));
      }),
      { numRuns: 200 },
    );
  });

  test('attributes without a value', () => {
    answersSoundly('<svg width><g id transform><rect width="5" height="9" x y/></g></svg>');
  });

  test('numbers beyond sense', () => {
    const huge = '<svg><path d="M0 0 L1e308 0 L1e308 1e308 Z"/><rect width="-5" height="9"/><circle r="NaN"/></svg>';
    answersSoundly(huge);
    answersSoundly(dxf(line('a', [0, 0], [1e300, 0]), 6));
  });
});
