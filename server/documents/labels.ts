import { DateTime } from 'luxon';
import QRCode from 'qrcode';
import type { StockRow } from '#formats/stock';
import { INK, LINE, MARGIN, newSheet, QUIET, type Sheet, widthOf } from './paper';

const ACROSS = 3;
const HEIGHT = 74;
const PAD = 7;
const CODE = 56;

/** Labels for bottles, tins, rolls and packs: a code that names the thing, what it is, its batch, and until when it is good. */
export async function labelSheet(rows: readonly StockRow[]): Promise<Sheet> {
  const codes = await Promise.all(rows.map(({ id }) => QRCode.toBuffer(id, { margin: 0, width: 4 * CODE })));
  const pdf = newSheet('Labels');
  const width = widthOf(pdf) / ACROSS;
  const down = Math.floor((pdf.page.height - 2 * MARGIN) / HEIGHT);
  if (rows.length === 0) pdf.fontSize(11).fillColor(INK).text('Nothing in stock was found that way.');
  rows.forEach((row, index) => {
    const place = index % (ACROSS * down);
    if (index > 0 && place === 0) pdf.addPage();
    const [x, y] = [MARGIN + (place % ACROSS) * width, MARGIN + Math.floor(place / ACROSS) * HEIGHT];
    label(pdf, row, codes[index]!, { x, y, width });
  });
  return pdf;
}

function label(
  pdf: Sheet,
  row: StockRow,
  code: Buffer,
  { x, y, width }: { x: number; y: number; width: number },
): void {
  pdf.rect(x, y, width, HEIGHT).lineWidth(0.4).strokeColor(LINE).stroke();
  pdf.image(code, x + PAD, y + (HEIGHT - CODE) / 2, { width: CODE });
  const left = x + CODE + 2 * PAD;
  const room = { width: width - CODE - 3 * PAD, height: 11, ellipsis: true, lineBreak: false } as const;
  const day = (at: string | undefined) => (at === undefined ? '' : DateTime.fromISO(at).toFormat('d LLL yyyy'));
  const lines = [
    `${row.size} ${row.unit === 'm2' ? 'm²' : row.unit || 'pieces'}${row.batch ? `, batch ${row.batch}` : ''}`,
    row.goodUntil ? `good until ${day(row.goodUntil)}` : `bought ${day(row.boughtAt)}`,
    row.id,
  ];
  pdf
    .font('strong')
    .fontSize(9.5)
    .fillColor(INK)
    .text(row.name, left, y + 11, room);
  lines.forEach((line, at) =>
    pdf
      .font('text')
      .fontSize(8)
      .fillColor(QUIET)
      .text(line, left, y + 26 + 12 * at, room),
  );
}
