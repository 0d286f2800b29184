import { SUBSTRATES } from '#core/item/substrates';
import type { ChoiceFile } from '#formats/choice';
import { money } from '#formats/values';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import type { JobView } from '../../../job/useJobView';

export const unitOf = ({ shelf, document }: Pick<JobView, 'document' | 'shelf'>, product: string) => {
  const unit = [...shelf, ...document.products].find(({ id }) => id === product)?.unit;
  return unit === 'm2' ? 'm²' : (unit ?? '');
};

const FELL_AWAY_WORDS = {
  'not-allowed': 'no rule lets it',
  'not-wished': 'not wished',
  beaten: 'beaten everywhere',
  limits: 'outside its limits in the air of the bay',
  'no-window': 'no time to level it in the air of the bay',
  'never-cures': 'never cures in the air of the bay',
  days: 'not ready within the days',
} as const;

export const MINUTES_PER_HOUR = 60;

/** Why the rest of the shelf is not in the best choice. */
export function FellAway({ answer }: { readonly answer: ChoiceFile }) {
  const job = useJob('document', 'productName');
  const { currency } = job.document;
  const dearer = answer.fellAway.flatMap((each) => (each.why === 'dearer' ? [each] : [])).sort((a, b) => a.by - b.by);
  const rest = answer.fellAway.flatMap((each) =>
    each.why === 'dearer' ? [] : [{ product: each.product, why: each.why === 'not-in-bay' ? each.because : each.why }],
  );
  return (
    <Part title="Why the rest fell away">
      <ul className="text-[14px]">
        {dearer.slice(0, 8).map(({ product, by, substrate, lifeMonths }) => (
          <li key={product} className="border-t py-1 first:border-t-0">
            <strong>{job.productName(product)}</strong>: {money(by, currency)} dearer on{' '}
            {SUBSTRATES[substrate].name.toLowerCase()}, for {Math.round(lifeMonths)} months.
          </li>
        ))}
      </ul>
      {rest.length > 0 && (
        <details className="mt-1 text-[14px]">
          <summary className="cursor-pointer text-ink-2">
            {rest.length} more that are ruled out, not for this bay, not wished or beaten
          </summary>
          <p className="mt-1">
            {rest.map(({ product, why }) => `${job.productName(product)} (${FELL_AWAY_WORDS[why]})`).join(', ')}.
          </p>
        </details>
      )}
    </Part>
  );
}
