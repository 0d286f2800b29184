import type { CutPiece, CutPlan } from '#core/film/cut-plan';
import { boundingBox, type Point } from '#core/item/geometry';
import type { Job } from '#formats/job';
import type { JobCut } from '#job/film';
import { heading, INK, LINE, MARGIN, newSheet, OVER, QUIET, room, type Sheet, title, widthOf } from './paper';

const POINTS_PER_MM = 72 / 25.4;
/** No page may be longer, points: as much as readers show. */
const LONGEST_PAGE = 14_400;
const OVERVIEW_HEIGHT = 270;

/**
 * What is cut from the roll: an overview in the order of the knife, every piece with its measures for cutting by hand, and
 * the whole at true scale on pages as wide as the roll.
 */
export function cutPaper(job: Job, { name, grain, plan, roll, rolls, missing, notClear }: JobCut): Sheet {
  const item = job.item?.name ?? job.title;
  const pdf = newSheet(`Cut plan: ${item}`, 'landscape');
  heading(pdf, `Cut plan: ${item}`, [
    name,
    `${rolls > 1 ? `roll ${roll} of ${rolls}, ` : 'roll '}${Math.round(plan.widthMm)} mm wide`,
    `${(plan.lengthMm / 1000).toFixed(2)} m to cut`,
    `${plan.pieces.length} pieces`,
    grain ? 'grain along the roll' : 'no grain',
  ]);
  pdf
    .fontSize(9)
    .fillColor(INK)
    .text(
      'A blade cuts skin and paint: cut away from both, cap it between cuts, never trim without backing near paint.',
    );
  for (const [what, which] of [
    ['On no roll', missing],
    ['Not clear of each other, of a flaw or of the roll’s edge any more', notClear],
  ] as const)
    if (which.length > 0) pdf.fillColor(OVER).text(`${what}: ${which.join(', ')}. Nest again before cutting.`);
  pdf.moveDown(0.4);
  if (plan.lengthMm > 0) {
    const scale = Math.min(widthOf(pdf) / plan.lengthMm, OVERVIEW_HEIGHT / plan.widthMm);
    const top = pdf.y;
    drawPlan(pdf, plan, { x: MARGIN, y: top, scale, letters: 9, named: false });
    pdf.y = top + plan.widthMm * scale + 6;
    pdf
      .fontSize(8)
      .fillColor(QUIET)
      .text(
        'Numbers: order of the knife. Arrow: up on the item, or towards its tail. Double arrow: the way it is stretched.',
        MARGIN,
      );
    pdf.moveDown(0.6);
  }
  title(pdf, 'By hand: measures in millimetres, from the roll’s free end and its lower edge');
  for (const piece of plan.pieces) handRow(pdf, piece);
  trueScale(pdf, plan);
  return pdf;
}

function handRow(pdf: Sheet, { order, label, outline, cutOuts, reliefs, stretch }: CutPiece): void {
  room(pdf, 16);
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  const y = pdf.y;
  const texts: readonly (readonly [string, number])[] = [
    [`${order}`, 0],
    [label, 24],
    [`${Math.round(maxX - minX)} × ${Math.round(maxY - minY)}`, 225],
    [`along ${Math.round(minX)} to ${Math.round(maxX)}`, 315],
    [`across ${Math.round(minY)} to ${Math.round(maxY)}`, 440],
    [
      `${cutOuts.length} cut-outs, ${reliefs.length} relief cuts, stretch ${Math.round(stretch.neededPct)} %${stretch.isTooMuch ? ', too much' : ''}`,
      545,
    ],
  ];
  pdf.font('text').fontSize(9).fillColor(INK);
  for (const [text, x] of texts) pdf.text(text, MARGIN + x, y, { lineBreak: false });
  pdf.y = y + 13;
  pdf
    .moveTo(MARGIN, pdf.y - 2)
    .lineTo(MARGIN + widthOf(pdf), pdf.y - 2)
    .lineWidth(0.4)
    .strokeColor(LINE)
    .stroke();
}

/** The whole cut one to one; longer than a page may be, it goes on to the next. */
function trueScale(pdf: Sheet, plan: CutPlan): void {
  const [length, width] = [plan.lengthMm * POINTS_PER_MM, plan.widthMm * POINTS_PER_MM];
  for (let from = 0; from < length; from += LONGEST_PAGE) {
    pdf.addPage({ size: [Math.min(LONGEST_PAGE, Math.max(72, length - from)), width], margin: 0 });
    drawPlan(pdf, plan, { x: -from, y: 0, scale: POINTS_PER_MM, letters: 40, named: true });
  }
}

/** Nobody feels less stretch than this, per cent. */
const LEAST_STRETCH_PCT = 1;

/** A double arrow below the letters, the way the piece is stretched. */
function stretchMark(
  line: (points: readonly Point[], closed: boolean) => void,
  [x, y]: Point,
  [ux, uy]: Point,
  mm: number,
): void {
  const at = (far: number, aside: number): Point => [
    x + mm * (far * ux - aside * uy),
    y - 1.6 * mm + mm * (far * uy + aside * ux),
  ];
  line([at(-1.2, 0), at(1.2, 0)], false);
  for (const end of [-1.2, 1.2]) line([at(end * 0.7, 0.3), at(end, 0), at(end * 0.7, -0.3)], false);
}

interface Where {
  readonly x: number;
  readonly y: number;
  /** Points a millimetre. */
  readonly scale: number;
  readonly letters: number;
  /** With what each is called, rather than its number alone. */
  readonly named: boolean;
}

function drawPlan(pdf: Sheet, { widthMm, lengthMm, pieces }: CutPlan, { x, y, scale, letters, named }: Where): void {
  // The roll's lower edge is the lower one on paper.
  const at = ([px, py]: Point): readonly [number, number] => [x + px * scale, y + (widthMm - py) * scale];
  const line = (points: readonly Point[], closed: boolean) => {
    points.forEach((point, index) => (index === 0 ? pdf.moveTo(...at(point)) : pdf.lineTo(...at(point))));
    if (closed) pdf.closePath();
    pdf.stroke();
  };
  pdf
    .lineWidth(0.5)
    .strokeColor(QUIET)
    .rect(x, y, lengthMm * scale, widthMm * scale)
    .stroke();
  for (const { order, label, outline, cutOuts, reliefs, at: middle, up, stretch } of pieces) {
    pdf.lineWidth(0.7).strokeColor(INK);
    line(outline, true);
    for (const each of cutOuts) line(each, true);
    pdf.strokeColor(OVER);
    for (const each of reliefs) line(each, false);
    const [tx, ty] = at(middle);
    const text = named ? `${order} ${label}` : `${order}`;
    pdf.fontSize(letters).fillColor(INK);
    pdf.text(text, tx - pdf.widthOfString(text) / 2, ty - letters / 2, { lineBreak: false });
    // The arrow begins beside the letters.
    const mm = letters / scale;
    const along = (far: number, aside: number): Point => [
      middle[0] + mm * (far * up[0] - aside * up[1]),
      middle[1] + mm * (far * up[1] + aside * up[0]),
    ];
    pdf.strokeColor(OVER);
    line([along(1, 0), along(2.4, 0)], false);
    line([along(1.9, 0.35), along(2.4, 0), along(1.9, -0.35)], false);
    if (stretch.neededPct >= LEAST_STRETCH_PCT) stretchMark(line, middle, stretch.along, mm);
  }
}
