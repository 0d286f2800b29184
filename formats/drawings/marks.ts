/** Letters and lines of drawings as other programs read them: SVG and DXF, true to scale in millimetres. */
import type { Point } from '#core/item/geometry';

/** Tenths of a millimetre: finer than any tape. */
export const mm = (value: number) => Number(value.toFixed(1)).toString();

/** Control signs have no place in XML, not even escaped. */
// eslint-disable-next-line no-control-regex -- these very signs are looked for
const CONTROL_SIGNS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g;
export const escaped = (text: string) =>
  text
    .replaceAll(CONTROL_SIGNS, ' ')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');

/** DXF wants its pairs of code and value a line each. */
export const pairs = (...codes: readonly (readonly [code: number, value: string | number])[]) =>
  codes.map(([code, value]) => `${code}\n${value}`);

/** Millimetres, in the header variable that says so. */
const DXF_MILLIMETRES = 4;

/** A line of a drawing, y upwards. */
export function dxfPolyline(line: readonly Point[], layer: string, closed: boolean): string[] {
  return [
    ...pairs(
      [0, 'LWPOLYLINE'],
      [100, 'AcDbEntity'],
      [8, layer],
      [100, 'AcDbPolyline'],
      [90, line.length],
      [70, closed ? 1 : 0],
    ),
    ...line.flatMap(([x, y]) => pairs([10, mm(x)], [20, mm(y)])),
  ];
}

/** A name as a layer may be called: no signs that part names from values. */
export const layerName = (id: string) => id.replaceAll(/[^A-Za-z0-9_-]/g, '_') || 'panel';

/** A whole drawing in millimetres of what is in it. */
export const dxfFile = (entities: readonly string[]): string =>
  [
    ...pairs(
      [0, 'SECTION'],
      [2, 'HEADER'],
      [9, '$ACADVER'],
      [1, 'AC1015'],
      [9, '$INSUNITS'],
      [70, DXF_MILLIMETRES],
      [0, 'ENDSEC'],
    ),
    ...pairs([0, 'SECTION'], [2, 'ENTITIES']),
    ...entities,
    ...pairs([0, 'ENDSEC'], [0, 'EOF']),
    '',
  ].join('\n');

/** Letters in a drawing: DXF's own are plain. */
export const dxfText = ([x, y]: Point, heightMm: number, text: string, layer: string, turnDeg = 0): string[] =>
  pairs(
    [0, 'TEXT'],
    [100, 'AcDbEntity'],
    [8, layer],
    [100, 'AcDbText'],
    [10, mm(x)],
    [20, mm(y)],
    [40, mm(heightMm)],
    [1, text.replaceAll(/[\r\n]+/g, ' ')],
    [50, mm(turnDeg)],
  );
