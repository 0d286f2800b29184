import { stackLife } from '#core/layers/life';
import type { ChoicePoint } from '#formats/choice';
import { wishesOf } from '#job/choose';
import { stackInWords } from '#job/offers';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import type { JobView } from '../../../job/useJobView';

const MONTHS_PER_YEAR = 12;
/** More rows than this are read by nobody. */
const MOST_ROWS = 8;

interface Row {
  readonly name: string;
  readonly panels: number;
  readonly months: number;
  readonly low: number;
  readonly high: number;
}

/** How long each stack of a choice lasts, on one axis of the time it is kept, with its renewals. */
export function LifeAxis({ point }: { readonly point: ChoicePoint }) {
  const job = useJob('document', 'productName', 'shelf');
  const { keptMonths } = wishesOf(job.document);
  const rows = lifeRows(job, point);
  if (rows.length === 0) return null;
  const at = (months: number) => `${(100 * Math.min(months, keptMonths)) / keptMonths}%`;
  const years = Array.from({ length: Math.floor(keptMonths / MONTHS_PER_YEAR) + 1 }, (_, year) => year);
  const every = Math.ceil(years.length / 8);
  return (
    <Part title="How long it lasts, while it is kept">
      <ul className="space-y-2 text-[13.5px]">
        {rows.slice(0, MOST_ROWS).map(({ name, panels, months, low, high }) => {
          const renewals = Array.from(
            { length: Math.max(0, Math.ceil(keptMonths / months) - 1) },
            (_, nth) => (nth + 1) * months,
          );
          return (
            <li key={name}>
              <span className="flex justify-between gap-2">
                <span>
                  {name} <span className="text-ink-3">on {panels}</span>
                </span>
                <span className="whitespace-nowrap">
                  {Math.round(low)} to {Math.round(high)} months
                </span>
              </span>
              <span
                role="img"
                aria-label={`Expected ${Math.round(months)} months; renewed ${renewals.length === 0 ? 'never' : renewals.length === 1 ? 'once' : `${renewals.length} times`} while it is kept`}
                className="relative mt-0.5 block h-4 bg-tint-1"
              >
                <span className="absolute inset-y-0 left-0 bg-tint-4" style={{ width: at(low) }} />
                <span
                  className="absolute inset-y-0 bg-tint-3"
                  style={{ left: at(low), width: `calc(${at(high)} - ${at(low)})` }}
                />
                {renewals.map((moment) => (
                  <span key={moment} className="absolute inset-y-0 w-0.5 bg-over" style={{ left: at(moment) }} />
                ))}
              </span>
            </li>
          );
        })}
      </ul>
      <div className="relative mt-1 h-5 text-[12.5px] text-ink-3" aria-hidden>
        {years
          .filter((year) => year % every === 0)
          .map((year) => (
            <span key={year} className="absolute -translate-x-1/2" style={{ left: at(year * MONTHS_PER_YEAR) }}>
              {year}
            </span>
          ))}
      </div>
      <p className="text-[12.5px] text-ink-3">
        Years. Dark: all but the worst tenth reach it; pale: up to the best tenth; the marks are expected renewals.
      </p>
    </Part>
  );
}

/** Stacks of a choice, the longest-lived first, each with the range from a bad tenth to a good one. */
function lifeRows(
  { document, shelf, productName }: Pick<JobView, 'document' | 'productName' | 'shelf'>,
  { surfaces }: ChoicePoint,
): Row[] {
  const { exposure, beyondTwo } = wishesOf(document);
  const known = new Map([...document.products, ...shelf].map((product) => [product.id, product]));
  const rows = new Map<string, Row>();
  for (const { layers, lifeMonths } of surfaces) {
    if (layers.length === 0) continue;
    const name = stackInWords(layers, productName);
    const key = `${name} ${lifeMonths.toFixed(1)}`;
    const seen = rows.get(key);
    if (seen) {
      rows.set(key, { ...seen, panels: seen.panels + 1 });
      continue;
    }
    const life = stackLife(
      layers.flatMap(({ product, coats }) => {
        const sheet = known.get(product);
        return sheet ? [{ ...sheet, coats }] : [];
      }),
      exposure,
      beyondTwo,
    );
    // What bears on this very surface, such as stones, bears on the whole range.
    const worn = lifeMonths / life.months;
    rows.set(key, {
      name,
      panels: 1,
      months: lifeMonths,
      low: worn * life.lowMonths,
      high: worn * life.highMonths,
    });
  }
  return [...rows.values()].sort((a, b) => b.months - a.months);
}
