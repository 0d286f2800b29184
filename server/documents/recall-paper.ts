import { DateTime } from 'luxon';
import { GONE_REASONS } from '#core/stock';
import type { Recall } from '#formats/stock';
import { factLine, heading, newSheet, type Sheet, title } from './paper';

/** A batch called back: where what is left of it stands, and each panel it lies on with whose it is. */
export function recallPaper(batch: string, recalled: Recall, now: Date): Sheet {
  const pdf = newSheet(`Recall of batch ${batch}`);
  const on = recalled.flatMap((each) => each.on);
  heading(pdf, `Batch ${batch}`, [
    `${recalled.length} ${recalled.length === 1 ? 'thing' : 'things'} in the stock book`,
    `on ${on.length} panels of ${new Set(on.map(({ job }) => job)).size} jobs`,
    `as of ${DateTime.fromJSDate(now).toFormat('d LLLL yyyy, HH:mm')}`,
  ]);
  if (recalled.length === 0) factLine(pdf, 'Nothing of this batch was ever in stock.', '');
  for (const { thing, on: panels } of recalled) {
    title(pdf, `${thing.name}, ${thing.id}`);
    const unit = thing.unit === 'm2' ? 'm²' : thing.unit;
    factLine(
      pdf,
      thing.gone
        ? `${GONE_REASONS[thing.gone.reason]}, ${day(thing.gone.at)}`
        : `${thing.remaining.toFixed(1)} ${unit} left`,
      thing.place ?? '',
    );
    for (const panel of panels) {
      const whose = [panel.item ?? panel.title, panel.owner].filter(Boolean).join(', ');
      const when =
        panel.first.slice(0, 10) === panel.last.slice(0, 10)
          ? day(panel.first)
          : `${day(panel.first)} to ${day(panel.last)}`;
      factLine(pdf, `${panel.surfaceName}: ${whose}`, `${panel.amount.toFixed(1)} ${unit}, ${when}`);
    }
    pdf.moveDown(0.8);
  }
  return pdf;
}

const day = (at: string): string => DateTime.fromISO(at).toFormat('d LLL yyyy');
