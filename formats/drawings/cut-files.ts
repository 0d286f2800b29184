/** What is cut from a roll as plotters and other programs read it: true to scale, cuts apart from what is only written. */
import type { CutPlan } from '#core/film/cut-plan';
import type { Point } from '#core/item/geometry';
import { dxfFile, dxfPolyline, dxfText, escaped, mm } from './marks';

const MARGIN_MM = 40;
const LETTERS_MM = 24;
const ARROW_MM = 60;

/** A plan as SVG, one user unit a millimetre; the roll lies along x, its free end at the left. */
export function cutSvg({ widthMm, lengthMm, pieces }: CutPlan, title: string): string {
  // A drawing grows upwards, the screen downwards.
  const line = (points: readonly Point[]) => `M${points.map(([x, y]) => `${mm(x)} ${mm(widthMm - y)}`).join('L')}`;
  const [w, h] = [lengthMm + 2 * MARGIN_MM, widthMm + 2 * MARGIN_MM];
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(w)}mm" height="${mm(h)}mm" viewBox="${-MARGIN_MM} ${-MARGIN_MM} ${mm(w)} ${mm(h)}">`,
    `<title>${escaped(title)}</title>`,
    `<path id="roll" d="M0 0H${mm(lengthMm)}V${mm(widthMm)}H0Z" fill="none" stroke="#808080" stroke-width="1"/>`,
    '<g id="cut" fill="none" stroke="#ff0000" stroke-width="1">',
    ...pieces.flatMap(({ id, copy, outline, cutOuts, reliefs }) => [
      ...cutOuts.map((each) => `<path d="${line(each)}Z"/>`),
      ...reliefs.map((each) => `<path d="${line(each)}"/>`),
      `<path id="${escaped(`${id}/${copy}`)}" d="${line(outline)}Z"/>`,
    ]),
    '</g>',
    `<g id="labels" fill="#0000ff" font-family="sans-serif" font-size="${LETTERS_MM}" text-anchor="middle">`,
    ...pieces.flatMap(({ order, label, at, up }) => [
      `<text x="${mm(at[0])}" y="${mm(widthMm - at[1])}">${escaped(`${order} ${label}`)}</text>`,
      `<path d="${line([at, tip(at, up)])}" stroke="#0000ff" stroke-width="2"/>`,
    ]),
    '</g>',
    '</svg>',
    '',
  ].join('\n');
}

const tip = ([x, y]: Point, [ux, uy]: Point): Point => [x + ARROW_MM * ux, y + ARROW_MM * uy];

/** A plan as DXF in millimetres: in the order of the knife, cuts, labels and the roll each on their layer. */
export function cutDxf({ widthMm, lengthMm, pieces }: CutPlan): string {
  const roll: Point[] = [
    [0, 0],
    [lengthMm, 0],
    [lengthMm, widthMm],
    [0, widthMm],
  ];
  return dxfFile([
    ...dxfPolyline(roll, 'roll', true),
    ...pieces.flatMap(({ order, label, outline, cutOuts, reliefs, at, up }) => [
      ...cutOuts.flatMap((each) => dxfPolyline(each, 'cut', true)),
      ...reliefs.flatMap((each) => dxfPolyline(each, 'cut', false)),
      ...dxfPolyline(outline, 'cut', true),
      ...dxfText(at, LETTERS_MM, `${order} ${label}`, 'labels'),
      ...dxfPolyline([at, tip(at, up)], 'labels', false),
    ]),
  ]);
}
