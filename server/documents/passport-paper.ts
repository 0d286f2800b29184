import { DateTime } from 'luxon';
import type { Handover, PassportFile } from '#formats/passport';
import { factLine, heading, INK, LINE, MARGIN, newSheet, QUIET, room, type Sheet, title, widthOf } from './paper';

const day = (at: string): string => DateTime.fromISO(at, { setZone: true }).toFormat('d LLL yyyy');
const moment = (at: string): string => DateTime.fromISO(at, { setZone: true }).toFormat('d LLL yyyy, HH:mm');
/** So many panels of one product are named in a line. */
const MOST_NAMED = 8;

/** The passport on paper: what to mind, what lies on it, the warranty, and who has signed for it. */
export function passportPaper({ passport, signature }: PassportFile, handover?: Handover): Sheet {
  const { item, shop, issuedAt, care, panels, visits, warranty, unchecked } = passport;
  const pdf = newSheet(`Passport: ${item.name}`);
  heading(pdf, item.name, [shop, `as of ${day(issuedAt)}`, `${panels.length} panels`, `${visits.length} visits`]);
  if (unchecked) {
    title(pdf, 'The final check is not closed');
    for (const line of unchecked) factLine(pdf, line, '');
    pdf.moveDown(0.8);
  }
  title(pdf, 'What to mind');
  for (const { at, says } of care) factLine(pdf, says, at ? moment(at) : 'always');
  pdf.moveDown(0.8);
  title(pdf, 'What lies on it');
  for (const { product, on, layer } of byProduct(panels)) {
    const names =
      on.length > MOST_NAMED
        ? `${on.slice(0, MOST_NAMED).join(', ')} and ${on.length - MOST_NAMED} more`
        : on.join(', ');
    const batch = layer.batches.length > 0 ? `, batch ${layer.batches.join(', ')}` : '';
    const by = layer.by.length > 0 ? `, by ${layer.by.join(', ')}` : '';
    factLine(
      pdf,
      `${product}: ${names}`,
      `laid ${day(layer.endAt)} at ${layer.air.airC} °C, ${layer.air.rhPct} %${batch}${by}; renew about ${day(layer.renew.about)}`,
    );
  }
  pdf.moveDown(0.8);
  title(pdf, 'Never use on it');
  for (const never of new Set(panels.flatMap(({ neverUse }) => neverUse))) {
    const on = panels.filter(({ neverUse }) => neverUse.includes(never));
    factLine(pdf, never, on.length === panels.length ? 'anywhere' : `${on.length} panels`);
  }
  if (warranty) {
    pdf.moveDown(0.8);
    title(pdf, 'Warranty');
    for (const { product, months, from, batches, panels: on } of warranty.covers)
      factLine(
        pdf,
        `${product}, on ${on.length} panels${batches.length > 0 ? `, batch ${batches.join(', ')}` : ''}`,
        `${months} months from ${day(from)}`,
      );
    if (warranty.number !== undefined) factLine(pdf, 'Number', warranty.number);
    if (warranty.registeredOn !== undefined) factLine(pdf, 'Registered with the maker', day(warranty.registeredOn));
    for (const condition of warranty.conditions) factLine(pdf, condition, '');
    if (warranty.inspections.length > 0) factLine(pdf, 'Inspections', warranty.inspections.map(day).join('; '));
  }
  pdf.moveDown(0.8);
  title(pdf, 'What was done');
  for (const { at, title: what, prepared, shop: where } of visits)
    factLine(
      pdf,
      `${what}${prepared.length > 0 ? `: ${prepared.map((each) => each.what.toLowerCase()).join(', ')}` : ''}`,
      `${where}, ${day(at)}`,
    );
  for (const { released } of visits)
    if (released)
      factLine(
        pdf,
        `Signed by a licensed engineer: ${released.name}, licence ${released.licence}`,
        moment(released.at),
      );
  if (handover) signed(pdf, handover);
  room(pdf, 30);
  pdf.moveDown(1);
  pdf
    .font('text')
    .fontSize(7.5)
    .fillColor(QUIET)
    .text(`Signed by the shop, ${signature.algorithm} ${signature.value}`, MARGIN, pdf.y, { width: widthOf(pdf) });
  return pdf;
}

type Panels = PassportFile['passport']['panels'];

/** Panels that carry the same of the same day stand in one line. */
function byProduct(panels: Panels) {
  const lines = new Map<string, { product: string; on: string[]; layer: Panels[number]['layers'][number] }>();
  for (const { name, layers } of panels)
    for (const layer of layers) {
      const key = [layer.product, layer.endAt.slice(0, 10), layer.batches.join(), layer.by.join()].join('/');
      const known = lines.get(key);
      if (known) known.on.push(name);
      else lines.set(key, { product: layer.product, on: [name], layer });
    }
  return [...lines.values()];
}

/** What was drawn on the tablet, in a box of its own. */
function signed(pdf: Sheet, { strokes, signedBy, at }: Handover): void {
  const [width, height] = [230, 70];
  room(pdf, height + 50);
  pdf.moveDown(1);
  title(pdf, 'Handed over');
  const top = pdf.y;
  for (const stroke of strokes) {
    for (let nth = 0; nth + 1 < stroke.length; nth += 2) {
      const [x, y] = [MARGIN + stroke[nth]! * width, top + stroke[nth + 1]! * height];
      if (nth === 0) pdf.moveTo(x, y);
      else pdf.lineTo(x, y);
    }
    pdf.lineWidth(1.2).strokeColor(INK).stroke();
  }
  pdf
    .moveTo(MARGIN, top + height)
    .lineTo(MARGIN + width, top + height)
    .lineWidth(0.6)
    .strokeColor(LINE)
    .stroke();
  pdf
    .font('text')
    .fontSize(9.5)
    .fillColor(INK)
    .text(`${signedBy}, ${moment(at)}`, MARGIN, top + height + 5);
}
