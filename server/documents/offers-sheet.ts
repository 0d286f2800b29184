import { DateTime } from 'luxon';
import { levelSays } from '#core/prepare/stages';
import { USUAL_VALID_DAYS } from '#core/choose/offers';
import type { JobRecord } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';
import { money } from '#formats/values';
import { laidInWords, lifeInWords, type Quoted } from '#job/offers';
import { heading, INK, LINE, MARGIN, newSheet, OVER, QUIET, type Sheet, signatures, widthOf } from './paper';

/** Offers beside one another on one page; more go on the next. */
const MOST_ACROSS = 4;
const GAP = 18;
/** Kept for the terms and the lines to sign on. */
const FOOT = 116;
/** Letters shrink by these until the fullest offer fits its page. */
const SCALES = [1.25, 1.12, 1, 0.92, 0.84, 0.76, 0.68, 0.6];

const TERMS =
  'Prices are for the item as it was looked at, with what stands here. Life is a range for how it is kept and washed; what is not promised is not promised.';

/** The shop's offers on an item side by side, as the owner takes them home and signs one. */
export function offersSheet(
  { id, version, document: job }: Pick<JobRecord, 'id' | 'version' | 'document'>,
  quotes: readonly Quoted[],
  shelf: readonly ProductSheet[],
  now: Date,
): Sheet {
  const { item, surfaces, currency, title } = job;
  const name = item?.name ?? title;
  const pdf = newSheet(`Offers: ${name}`, 'landscape');
  const head = () =>
    heading(pdf, `What we offer for the ${name}`, [
      `Owner: ${item?.ownerName || 'not said'}`,
      `Offer ${offerNumber({ id, version })} of ${day(DateTime.fromJSDate(now))}`,
      `${surfaces.length} surfaces`,
    ]);
  if (quotes.length === 0) {
    head();
    pdf.font('text').fontSize(11).fillColor(INK).text('The shop keeps no offers yet.');
    return pdf;
  }
  for (let first = 0; first < quotes.length; first += MOST_ACROSS) {
    if (first > 0) pdf.addPage();
    head();
    const top = pdf.y + 6;
    const shown = quotes.slice(first, first + MOST_ACROSS);
    const width = (widthOf(pdf) - (shown.length - 1) * GAP) / shown.length;
    const columns = shown.map((quote) => linesOf(quote, laidInWords(quote, surfaces, shelf), currency, now));
    const tallest = (scale: number) => Math.max(...columns.map((lines) => heightOf(pdf, lines, width, scale)));
    const roomLeft = pdf.page.height - MARGIN - FOOT - top;
    const scale = SCALES.find((each) => tallest(each) <= roomLeft) ?? SCALES.at(-1)!;
    for (const [index, lines] of columns.entries()) {
      const agreed = job.agreed?.offer === shown[index]!.offer.id;
      column(pdf, lines, { x: MARGIN + index * (width + GAP), top, width, scale, ruled: agreed ? OVER : INK });
    }
    pdf.x = MARGIN;
    pdf.y = pdf.page.height - MARGIN - FOOT + 22;
    signatures(pdf, TERMS);
  }
  return pdf;
}

const day = (date: DateTime): string => date.toFormat('d LLLL yyyy');

/** By it an offer is found again: the job, and the state of it that was priced. */
const offerNumber = ({ id, version }: Pick<JobRecord, 'id' | 'version'>): string => `${id}/${version}`;

interface Line {
  readonly text: string;
  readonly look: 'name' | 'price' | 'text' | 'quiet' | 'label' | 'listed';
}

const LOOKS: Readonly<Record<Line['look'], { font: 'text' | 'strong'; size: number; ink: string; before: number }>> = {
  name: { font: 'strong', size: 14, ink: INK, before: 6 },
  price: { font: 'strong', size: 24, ink: INK, before: 6 },
  text: { font: 'text', size: 9.5, ink: INK, before: 3 },
  quiet: { font: 'text', size: 8.5, ink: QUIET, before: 1 },
  label: { font: 'strong', size: 8.5, ink: QUIET, before: 9 },
  listed: { font: 'text', size: 9, ink: INK, before: 4 },
};

function linesOf(quote: Quoted, laid: readonly string[], currency: string, now: Date): Line[] {
  const { offer, price } = quote;
  const list = (label: string, lines: readonly string[]): Line[] =>
    lines.length === 0
      ? []
      : [{ look: 'label', text: label }, ...lines.map((text): Line => ({ look: 'listed', text: `${text}.` }))];
  return [
    { look: 'name', text: offer.name },
    ...(offer.says ? [{ look: 'quiet', text: offer.says } as const] : []),
    { look: 'price', text: money(price.totalMoney, currency) },
    {
      look: 'quiet',
      text: `${price.hours.toFixed(1)} h of work; ${offer.taxPct > 0 ? `${offer.taxPct} % tax included` : 'without tax'}`,
    },
    {
      look: 'quiet',
      text: `valid until ${day(DateTime.fromJSDate(now).plus({ days: offer.validDays ?? USUAL_VALID_DAYS }))}`,
    },
    { look: 'text', text: readyInWords(quote) },
    { look: 'text', text: `${lifeInWords(quote)} ${levelSays(offer.level, quote.goneShare)}` },
    ...list('What is laid', laid),
    ...list('Promised', offer.promised),
    ...list('Not promised', offer.notPromised),
  ];
}

/** When it would be ready, by the clock where the work is done. */
const readyInWords = (quote: Quoted): string => {
  const readyAt = quote.readyAt();
  return readyAt === null
    ? 'No ready date.'
    : `Ready ${DateTime.fromISO(readyAt, { setZone: true }).toFormat('cccc d LLLL, HH:mm')}, if begun as planned.`;
};

function heightOf(pdf: Sheet, lines: readonly Line[], width: number, scale: number): number {
  return lines.reduce((sum, { look, text }) => {
    const { font, size, before } = LOOKS[look];
    return (
      sum +
      before * scale +
      pdf
        .font(font)
        .fontSize(size * scale)
        .heightOfString(text, { width })
    );
  }, 0);
}

interface Place {
  readonly x: number;
  readonly top: number;
  readonly width: number;
  readonly scale: number;
  readonly ruled: string;
}

function column(pdf: Sheet, lines: readonly Line[], { x, top, width, scale, ruled }: Place): void {
  pdf
    .moveTo(x, top)
    .lineTo(x + width, top)
    .lineWidth(2)
    .strokeColor(ruled)
    .stroke();
  let y = top;
  for (const { look, text } of lines) {
    const { font, size, ink, before } = LOOKS[look];
    if (look === 'listed') {
      const between = y + (before * scale) / 2;
      pdf
        .moveTo(x, between)
        .lineTo(x + width, between)
        .lineWidth(0.4)
        .strokeColor(LINE)
        .stroke();
    }
    y += before * scale;
    pdf
      .font(font)
      .fontSize(size * scale)
      .fillColor(ink)
      .text(text, x, y, { width });
    ({ y } = pdf);
  }
}
