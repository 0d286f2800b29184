/** The net as other programs read it: drawings at true scale, and the surfaces as a table. */
import Papa from 'papaparse';
import { boundingBox, perimeterMm, type Point } from '#core/item/geometry';
import { arrange } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { surfaceAreaM2 } from '#core/plan/job';
import { type Job, type Surface, surfaceName } from '#formats/job';
import { dxfFile, dxfPolyline, escaped, layerName, mm } from './marks';

const MARGIN_MM = 100;
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

/** The sheet as DXF in millimetres, each panel a closed polyline on a layer of its id. */
export function netDxf(job: Pick<Job, 'item' | 'surfaces'>): string {
  const { panels, linework } = arrange(job);
  // The sheet grows downwards, a drawing upwards.
  const upwards = (line: readonly Point[]) => line.map(([x, y]): Point => [x, -y]);
  return dxfFile([
    ...panels.flatMap(({ id, outline }) => dxfPolyline(upwards(outline), layerName(id), true)),
    ...linework.flatMap((line) => dxfPolyline(upwards(line), 'linework', false)),
  ]);
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
