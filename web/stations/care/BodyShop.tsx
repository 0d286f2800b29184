import { useState } from 'react';
import { repairedJob, stackOfRest } from '#job/body-shop';
import { productsOf } from '#job/judge';
import { useLogQuery } from '../../app/api';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/DateField';
import { Fault } from '../../ui/Fault';
import { day } from '../../ui/moments';
import { useMakeNextJob } from './useMakeNextJob';

/** A panel repainted elsewhere: planned again once its paint has breathed, with what the rest has. */
export function BodyShop({ surface }: { readonly surface: string }) {
  const job = useJob('at', 'bay', 'document', 'id', 'nowMin', 'shelf', 'standing');
  const { id, document, shelf, standing, at, nowMin } = job;
  const { currentData: log } = useLogQuery({ id });
  const { make, error, isLoading } = useMakeNextJob(job);
  const [refinishedOn, setRefinishedOn] = useState(() => at(nowMin).slice(0, 10));
  const stack = stackOfRest(standing, surface, productsOf(document.products, shelf));
  const made = log && refinishedOn !== '' ? repairedJob(document, log, { surface, refinishedOn, stack }) : undefined;
  return (
    <Part title="Repaired at a body shop">
      <DateField label="Repainted on" required className="w-44" value={refinishedOn} onChange={setRefinishedOn} />
      <p className="mt-2 text-[14px] text-ink-2">
        {stack.length === 0
          ? 'Nothing on the item to match it with: it is planned bare, and chosen under Layer.'
          : `As the rest: ${stack.map(({ product, coats }) => (coats > 1 ? `${product.name}, ${coats} coats` : product.name)).join(', then ')}.`}
        {made && ` New paint gives off solvent: nothing is laid on it before ${day(made.startAt)}.`}
      </p>
      <Button className="mt-3" disabled={!made || isLoading} onClick={() => made && make(made, 'prepare')}>
        Plan this panel again
      </Button>
      <Fault error={error} />
    </Part>
  );
}
