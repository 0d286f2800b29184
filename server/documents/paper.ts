import { createRequire } from 'node:module';
import path from 'node:path';
import PDFDocument from 'pdfkit';

/** What every document of the workshop is drawn with: paper, inks, letters, headings, lines to sign on. Points. */
export const A4 = { width: 595.28, height: 841.89 };
export const MARGIN = 42;
export const INK = '#10212d';
export const QUIET = '#566976';
export const LINE = '#ccd6db';
export const OVER = '#a8125e';

const fontFile = (weight: number, subset = 'latin') => {
  const home = path.dirname(createRequire(import.meta.url).resolve('@fontsource/archivo/package.json'));
  return path.join(home, 'files', `archivo-${subset}-${weight}-normal.woff`);
};

export type Sheet = InstanceType<typeof PDFDocument>;

/** A new document with its letters. */
export function newSheet(title: string, layout: 'portrait' | 'landscape' = 'portrait'): Sheet {
  const pdf = new PDFDocument({ size: 'A4', layout, margin: MARGIN, info: { Title: title } });
  pdf.registerFont('text', fontFile(400));
  pdf.registerFont('strong', fontFile(600));
  return pdf;
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
