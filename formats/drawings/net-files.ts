/** The net as other programs read it: drawings at true scale, and the surfaces as a table. */
import Papa from 'papaparse';
import { boundingBox, perimeterMm, type Point } from '#core/item/geometry';
import { arrange } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { surfaceAreaM2 } from '#core/work/plan';
import { type Job, type Surface, surfaceName } from '#formats/job';

const MARGIN_MM = 100;
/** Tenths of a millimetre: finer than any tape. */
const mm = (value: number) => Number(value.toFixed(1)).toString();

/** Control signs have no place in XML, not even escaped. */
// eslint-disable-next-line no-control-regex -- these very signs are looked for
const CONTROL_SIGNS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g;
const escaped = (text: string) =>
  text
    .replaceAll(CONTROL_SIGNS, ' ')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');

/** The sheet as SVG, one user unit a millimetre, each panel a path under its id. */
export function netSvg(job: Pick<Job, 'title' | 'item' | 'surfaces'>): string {
  const { panels, linework, box } = arrange(job);
  const [x, y] = [box.minX - MARGIN_MM, box.minY - MARGIN_MM];
  const [width, height] = [box.maxX - box.minX + 2 * MARGIN_MM, box.maxY - box.minY + 2 * MARGIN_MM];
  const points = (line: readonly Point[]) => line.map(([px, py]) => `${mm(px)} ${mm(py)}`).join('L');
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="${mm(x)} ${mm(y)} ${mm(width)} ${mm(height)}">`,
    `<title>${escaped(job.title)}</title>`,
    '<g fill="none" stroke="#000000" stroke-width="2">',
    ...panels.map(
      ({ id, name, outline }) =>
        `<path id="${escaped(id)}" d="M${points(outline)}Z"><title>${escaped(name)}</title></path>`,
    ),
    '</g>',
    '<g fill="none" stroke="#808080" stroke-width="1">',
    ...linework.map((line) => `<path d="M${points(line)}"/>`),
    '</g>',
    '</svg>',
    '',
  ].join('\n');
}

/** DXF wants its pairs of code and value a line each. */
const pairs = (...codes: readonly (readonly [code: number, value: string | number])[]) =>
  codes.map(([code, value]) => `${code}\n${value}`);

/** Millimetres, in the header variable that says so. */
const DXF_MILLIMETRES = 4;

function dxfPolyline(line: readonly Point[], layer: string, closed: boolean): string[] {
  return [
    ...pairs(
      [0, 'LWPOLYLINE'],
      [100, 'AcDbEntity'],
      [8, layer],
      [100, 'AcDbPolyline'],
      [90, line.length],
      [70, closed ? 1 : 0],
    ),
    // The sheet grows downwards, a drawing upwards.
    ...line.flatMap(([x, y]) => pairs([10, mm(x)], [20, mm(-y)])),
  ];
}

/** A name as a layer may be called: no signs that part names from values. */
const layerName = (id: string) => id.replaceAll(/[^A-Za-z0-9_-]/g, '_') || 'panel';

/** The sheet as DXF in millimetres, each panel a closed polyline on a layer of its id. */
export function netDxf(job: Pick<Job, 'item' | 'surfaces'>): string {
  const { panels, linework } = arrange(job);
  return [
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
    ...panels.flatMap(({ id, outline }) => dxfPolyline(outline, layerName(id), true)),
    ...linework.flatMap((line) => dxfPolyline(line, 'linework', false)),
    ...pairs([0, 'ENDSEC'], [0, 'EOF']),
    '',
  ].join('\n');
}

/** Every surface with its area, edge length and box, as CSV with a heading. */
export function surfacesCsv(job: Pick<Job, 'item' | 'surfaces'>): string {
  const outlines = new Map(arrange(job).panels.map(({ id, outline }) => [id, outline]));
  const row = (surface: Surface) => {
    const outline = outlines.get(surface.id)!;
    const box = boundingBox(outline);
    const oneM2 = surfaceAreaM2({ ...surface, curvature: surface.curvature ?? 1 });
    return {
      id: surface.id,
      name: surfaceName(surface),
      'made of': SUBSTRATES[surface.substrate].name,
      copies: surface.count,
      'area of one, m2': oneM2.toFixed(4),
      'area of all, m2': (oneM2 * surface.count).toFixed(4),
      'edge of one, mm': perimeterMm(outline).toFixed(0),
      'across, mm': (box.maxX - box.minX).toFixed(0),
      'up, mm': (box.maxY - box.minY).toFixed(0),
      'measured by': surface.measuredBy,
    };
  };
  return `${Papa.unparse(job.surfaces.map(row), { newline: '\n', escapeFormulae: true })}\n`;
}
