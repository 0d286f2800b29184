import type { ChoiceFile, ChoicePoint } from '#formats/choice';
import { money } from '#formats/values';
import { useJob } from '../../../job/job-context';
import { um } from '../../../ui/measures';
import { span } from '../../../ui/moments';
import { MINUTES_PER_HOUR, unitOf } from './FellAway';

interface SumsProps {
  readonly point: ChoicePoint;
  readonly answer: ChoiceFile | undefined;
}

export function ChoiceSums({ point, answer }: SumsProps) {
  const job = useJob('document', 'productName', 'shelf');
  const { currency } = job.document;
  const rows: readonly (readonly [string, string])[] = [
    ['To buy', money(point.materialMoney, currency)],
    ['With the hours of laying', money(point.firstMoney, currency)],
    [
      'Waits until it is handed over',
      point.readyHours === null ? 'never in this air' : span(point.readyHours * MINUTES_PER_HOUR),
    ],
    ['While it is kept, renewals and all', money(point.keptMoney, currency)],
    [
      'A protected year, renewals and all',
      `${money(point.yearMoney, currency)}, ${point.yearHours.toFixed(1)} h, ${um(point.yearUm, 1)} of paint`,
    ],
  ];
  return (
    <>
      <table className="w-full text-[14px]">
        <tbody>
          {rows.map(([what, much]) => (
            <tr key={what} className="border-t first:border-t-0">
              <th scope="row" className="py-1 text-left font-normal">
                {what}
              </th>
              <td className="text-right">{much}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="mt-2 text-[14px]">
        {point.purchases.map(({ product, packs, order }) => (
          <li key={product} className="border-t py-1">
            <strong>{job.productName(product)}</strong>{' '}
            <span className="text-ink-2">
              {order.toFixed(0)} {unitOf(job, product)}
              {packs.length === 0
                ? ', from stock'
                : `: ${packs.map(({ size, count }) => `${count} of ${size}`).join(', ')}`}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-[13.5px] text-ink-3">
        {point.gap < PROVEN
          ? 'Proven to be the best there is.'
          : `Proven to be within ${Math.max(0.1, 100 * point.gap).toFixed(1)} % of the best there is.`}
        {answer &&
          ` Panel by panel, each its cheapest, it would be ${money(answer.alone.firstMoney, currency)} now and ${money(answer.alone.keptMoney, currency)} in all.`}
      </p>
    </>
  );
}

/** A gap so small is rounding. */
const PROVEN = 0.0005;
