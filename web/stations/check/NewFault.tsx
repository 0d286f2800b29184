import { useState } from 'react';
import { faultsOf, LAYING_FAULTS, type LayingFault } from '#core/lay/faults';
import type { NetPoint } from '#core/lay/run';
import { type CheckNet, patchAt } from '#job/check';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { useTap } from '../../bay/useTap';

interface Props {
  readonly net: CheckNet;
  readonly found: { readonly surface: string; readonly at: NetPoint };
  /** What it most likely is: it stands first. */
  readonly first?: LayingFault | undefined;
  readonly onDone: () => void;
}

/** What was found where one has touched: the second tap names it. */
export function NewFault({ net, found: { surface, at }, first, onDone }: Props) {
  const job = useJob('document', 'id', 'nameOf', 'sheet');
  const { tap } = useTap(job.id);
  const [patch] = useState(() => patchAt(net, job.sheet, surface, at));
  const product = job.document.products.find(({ id }) => id === patch?.coat.product);
  if (!patch || !product) return null;
  return (
    <section className="px-5 py-4" aria-label="A fault">
      <h2 className="figure text-2xl">{job.nameOf(surface)}</h2>
      <p className="mt-1 text-lg text-ink-2">
        {patch.sections > 1 && `Section ${patch.patch.section} of ${patch.sections}. `}What is it?
      </p>
      <div className="mt-3 grid grid-cols-2 gap-2">
        {inOrder(faultsOf(product.family), first).map((fault) => (
          <Button
            key={fault}
            glove
            look={fault === first ? 'main' : 'plain'}
            className="whitespace-normal! px-2!"
            onClick={() => {
              tap({ type: 'fault', patch: patch.patch, fault, at });
              onDone();
            }}
          >
            {LAYING_FAULTS[fault].name}
          </Button>
        ))}
      </div>
      <Button glove look="quiet" className="mt-3 w-full" onClick={onDone}>
        Nothing there
      </Button>
    </section>
  );
}

const inOrder = (faults: readonly LayingFault[], first: LayingFault | undefined): LayingFault[] =>
  faults.toSorted((a, b) => Number(b === first) - Number(a === first));
