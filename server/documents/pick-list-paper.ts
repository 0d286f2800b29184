import { DateTime } from 'luxon';
import type { PickGroup, PickLine } from '#core/lay/pick-list';
import type { Job } from '#formats/job';
import { heading, INK, LINE, MARGIN, newSheet, QUIET, type Sheet, widthOf } from './paper';

const ACROSS = 2;
const GAP = 20;
/** Letters shrink by these until it all stands on one sheet. */
const SCALES = [1, 0.92, 0.84, 0.76, 0.68, 0.6, 0.52];

/** What has to lie ready, in the order of work, with a box to tick; one sheet, whatever the job. */
export function pickListPaper(job: Job, groups: readonly PickGroup[], ticked: ReadonlySet<string>): Sheet {
  const name = job.item?.name ?? job.title;
  const pdf = newSheet(`Pick list: ${name}`);
  heading(pdf, `Pick list: ${name}`, [
    job.item?.ownerName ?? 'owner not said',
    `work begins ${DateTime.fromISO(job.startAt, { setZone: true }).toFormat('d LLLL yyyy, HH:mm')}`,
    `${groups.reduce((sum, { lines }) => sum + lines.length, 0)} things`,
  ]);
  if (groups.length === 0) pdf.fontSize(11).fillColor(INK).text('Nothing is planned that wants anything at hand.');
  const top = pdf.y + 4;
  const width = (widthOf(pdf) - (ACROSS - 1) * GAP) / ACROSS;
  const tall = pdf.page.height - MARGIN - top;
  const scale = SCALES.find((each) => columnsOf(pdf, groups, width, each, tall).length <= ACROSS) ?? SCALES.at(-1)!;
  columnsOf(pdf, groups, width, scale, tall).forEach((column, index) => {
    // More than one sheet only where even the smallest letters do not do.
    if (index > 0 && index % ACROSS === 0) pdf.addPage();
    let y = index < ACROSS ? top : MARGIN;
    for (const group of column)
      y = drawGroup(pdf, group, { x: MARGIN + (index % ACROSS) * (width + GAP), y, width, scale }, ticked);
  });
  return pdf;
}

/** Groups column by column, none torn apart. */
function columnsOf(
  pdf: Sheet,
  groups: readonly PickGroup[],
  width: number,
  scale: number,
  tall: number,
): PickGroup[][] {
  const columns: PickGroup[][] = [];
  let left = -1;
  for (const group of groups) {
    const height = heightOf(pdf, group, width, scale);
    if (height > left || columns.length === 0) {
      columns.push([]);
      left = tall;
    }
    columns.at(-1)!.push(group);
    left -= height;
  }
  return columns;
}

const AMOUNT_WIDTH = 58;
const BOX = 8;

const lineHeight = (pdf: Sheet, { what, note }: PickLine, width: number, scale: number): number => {
  const room = { width: width - (BOX + 6 + AMOUNT_WIDTH) * scale };
  const own = pdf
    .font('text')
    .fontSize(9 * scale)
    .heightOfString(what, room);
  return own + (note ? pdf.fontSize(7 * scale).heightOfString(note, room) : 0) + 3 * scale;
};

const heightOf = (pdf: Sheet, { lines }: PickGroup, width: number, scale: number): number =>
  20 * scale + lines.reduce((sum, line) => sum + lineHeight(pdf, line, width, scale), 0) + 6 * scale;

interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly scale: number;
}

function drawGroup(
  pdf: Sheet,
  group: PickGroup,
  { x, y: top, width, scale }: Place,
  ticked: ReadonlySet<string>,
): number {
  pdf
    .moveTo(x, top)
    .lineTo(x + width, top)
    .lineWidth(1.2)
    .strokeColor(INK)
    .stroke();
  pdf
    .font('strong')
    .fontSize(10 * scale)
    .fillColor(INK)
    .text(group.name, x, top + 4 * scale, { width, height: 13 * scale, ellipsis: true });
  let y = top + 20 * scale;
  for (const line of group.lines) {
    drawLine(pdf, line, { x, y, width, scale }, ticked.has(line.key));
    y += lineHeight(pdf, line, width, scale);
  }
  return y + 6 * scale;
}

function drawLine(pdf: Sheet, line: PickLine, { x, y, width, scale }: Place, done: boolean): void {
  const { what, note, amount, unit } = line;
  const box = BOX * scale;
  pdf
    .rect(x, y + scale, box, box)
    .lineWidth(0.7)
    .strokeColor(INK)
    .stroke();
  if (done) {
    pdf
      .moveTo(x + box * 0.2, y + scale + box * 0.5)
      .lineTo(x + box * 0.45, y + scale + box * 0.8)
      .lineTo(x + box * 0.9, y + scale + box * 0.1)
      .stroke();
  }
  const left = x + box + 6 * scale;
  const room = { width: width - (BOX + 6 + AMOUNT_WIDTH) * scale };
  pdf
    .font('text')
    .fontSize(9 * scale)
    .fillColor(INK)
    .text(what, left, y, room);
  if (note)
    pdf
      .fontSize(7 * scale)
      .fillColor(QUIET)
      .text(note, left, pdf.y, room);
  const said =
    `${amount.toFixed(amount < 10 && !Number.isInteger(amount) ? 1 : 0)} ${unit === 'm2' ? 'm²' : unit}`.trim();
  pdf
    .font('strong')
    .fontSize(9 * scale)
    .fillColor(INK)
    .text(said, x + width - AMOUNT_WIDTH * scale, y, { width: AMOUNT_WIDTH * scale, align: 'right', lineBreak: false });
  const foot = y + lineHeight(pdf, line, width, scale) - 1.5 * scale;
  pdf
    .moveTo(left, foot)
    .lineTo(x + width, foot)
    .lineWidth(0.3)
    .strokeColor(LINE)
    .stroke();
}
