import { USUAL_WISHES } from '#core/choose/stacks';
import { MINUTES_PER_HOUR } from '#core/measures';
import { strippingMin } from '#job/prepare';
import { useJob } from '../../job/job-context';
import { hours } from '../../ui/hours';
import { money } from '#formats/values';

/** What taking off what is found, or only its top, comes to, before it is decided: hours and money at the job's rate. */
interface StrippingCostsProps {
  readonly surfaces: readonly string[];
  readonly takes?: 'all' | 'top';
}

export function StrippingCosts({ surfaces, takes = 'all' }: StrippingCostsProps) {
  const { document } = useJob('document');
  const minutes = strippingMin(document, surfaces, takes);
  const rate = document.prepare?.hourRate ?? USUAL_WISHES.hourRate;
  return (
    <span className="text-ink-2">
      about {hours(minutes)}, {money((minutes / MINUTES_PER_HOUR) * rate, document.currency)}
    </span>
  );
}
