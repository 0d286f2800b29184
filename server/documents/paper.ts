import { buffer } from 'node:stream/consumers';
import PDFDocument from 'pdfkit';
import { FACES, type Look, printable } from './letters';

/** What every document of the workshop is drawn with: paper, inks, letters, headings, lines to sign on. Points. */
export const A4 = { width: 595.28, height: 841.89 };
export const MARGIN = 42;
export const INK = '#10212d';
export const QUIET = '#566976';
export const LINE = '#ccd6db';
export const OVER = '#a8125e';

type TextOptions = PDFKit.Mixins.TextOptions;

/** A document whose texts are printed in a face that has their signs. `text` and `strong` are its two looks. */
export class Sheet extends PDFDocument {
  private look: Look = 'text';
  private lost = false;

  override font(name: string): this {
    if (name === 'text' || name === 'strong') this.look = name;
    return super.font(name);
  }

  override text(text: string, x?: number | TextOptions, y?: number, options?: TextOptions): this {
    const shown = this.inItsFace(text);
    if (typeof x === 'number' || y !== undefined) super.text(shown, x as number, y, options);
    else super.text(shown, x);
    super.font(this.look);
    return this;
  }

  override heightOfString(text: string, options?: TextOptions): number {
    const height = super.heightOfString(this.inItsFace(text), options);
    super.font(this.look);
    return height;
  }

  /** Says at the foot of the last page what could not be printed, and ends the document. */
  override end(): void {
    if (this.lost) {
      room(this, 20);
      this.font('text').fontSize(7.5).fillColor(QUIET).text('\u25a1 stands for a sign this paper has no letter for.');
    }
    super.end();
  }

  private inItsFace(raw: string): string {
    const { face, text, lost } = printable(raw, this.look);
    this.lost ||= lost;
    super.font(face);
    return text;
  }
}

/** A new document with its letters. */
export function newSheet(title: string, layout: 'portrait' | 'landscape' = 'portrait'): Sheet {
  const pdf = new Sheet({ size: 'A4', layout, margin: MARGIN, info: { Title: title } });
  for (const { name, file } of Object.values(FACES).flat()) pdf.registerFont(name, file);
  return pdf.font('text');
}

/** Width between the margins. */
export const widthOf = (pdf: Sheet): number => pdf.page.width - 2 * MARGIN;

/** Starts a new page where less than this is left. */
export function room(pdf: Sheet, points: number): void {
  if (pdf.y + points > pdf.page.height - MARGIN) pdf.addPage();
}

export function title(pdf: Sheet, text: string): void {
  room(pdf, 60);
  pdf
    .font('strong')
    .fontSize(11)
    .fillColor(INK)
    .text(text, MARGIN, pdf.y, { width: widthOf(pdf) });
  pdf.moveDown(0.3);
}

/** The head of a document: what it is, and its facts on one line. */
export function heading(pdf: Sheet, text: string, facts: readonly string[]): void {
  pdf
    .font('strong')
    .fontSize(20)
    .fillColor(INK)
    .text(text, MARGIN, MARGIN, { width: widthOf(pdf) });
  pdf
    .font('text')
    .fontSize(9.5)
    .fillColor(QUIET)
    .text(facts.join('   ·   '), { width: widthOf(pdf) });
  pdf.moveDown(0.6);
}

/** Where owner and installer sign, under what they sign to. */
export function signatures(pdf: Sheet, terms: string): void {
  room(pdf, 92);
  const width = widthOf(pdf);
  pdf.font('text').fontSize(8.5).fillColor(QUIET).text(terms, MARGIN, pdf.y, { width });
  const y = pdf.y + 34;
  for (const [index, who] of ['Owner', 'Installer'].entries()) {
    const x = MARGIN + index * (width / 2 + 10);
    pdf
      .moveTo(x, y)
      .lineTo(x + width / 2 - 20, y)
      .lineWidth(0.7)
      .strokeColor(INK)
      .stroke();
    pdf
      .fontSize(8.5)
      .fillColor(QUIET)
      .text(`${who}, date`, x, y + 4, { lineBreak: false });
  }
}

/** Ends a document; what it comes to. */
export function pdfBytes(sheet: Sheet): Promise<Buffer> {
  sheet.end();
  return buffer(sheet);
}

/** What is said on the left, its figures on the right, a rule below; without figures it has the whole width. */
export function factLine(pdf: Sheet, left: string, right: string): void {
  const width = widthOf(pdf);
  const share = right === '' ? width : width * 0.58;
  pdf.font('text').fontSize(9.5);
  const height = Math.max(
    pdf.heightOfString(left, { width: share - 8 }),
    right === '' ? 0 : pdf.heightOfString(right, { width: width - share }),
  );
  room(pdf, height + 8);
  const { y } = pdf;
  pdf.fillColor(INK).text(left, MARGIN, y, { width: share - 8 });
  if (right !== '') pdf.fillColor(QUIET).text(right, MARGIN + share, y, { width: width - share, align: 'right' });
  pdf.y = y + height + 3;
  pdf
    .moveTo(MARGIN, pdf.y)
    .lineTo(MARGIN + width, pdf.y)
    .lineWidth(0.4)
    .strokeColor(LINE)
    .stroke();
  pdf.x = MARGIN;
  pdf.y += 4;
}
