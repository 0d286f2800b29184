import { FlaskConical } from 'lucide-react';
import { memo, useState } from 'react';
import { BASES } from '#core/stock';
import type { Product } from '#core/products/sheets';
import type { NewStockEntry, StockRow } from '#formats/stock';
import { nanoid } from '@reduxjs/toolkit';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { useHandIn } from '../../outbox/useHandIn';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { day } from '../../ui/moments';
import { amountIn, leftOf } from '../../material/stock-words';

interface Props {
  readonly product: Product;
  /** What the patch in hand takes. */
  readonly amount: number;
}

const named = ({ batch, id }: StockRow) => (batch ? `batch ${batch}` : id);

/** Batch of the bottle of a product that is in hand at a job; undefined: none is, or nobody noted it. */
export const batchInHand = ({ id, stock }: Pick<JobView, 'id' | 'stock'>, product: string): string | undefined =>
  stock?.kinds.find(({ of }) => of === product)?.things.find(({ inHand }) => inHand === id)?.batch ?? undefined;

/** The bottle in hand: what is laid draws from it. Taken, changed and emptied in one tap. */
export const Bottle = memo(function Bottle({ product, amount }: Props) {
  const job = useJob('id', 'stock');
  const [changing, setChanging] = useState(false);
  const handIn = useHandIn();
  const kind = job.stock?.kinds.find(({ of }) => of === product.id);
  if (!kind) return null;
  const inHand = kind.things.find((thing) => thing.inHand === job.id);
  const next = kind.things.find((thing) => !thing.past && !thing.inHand && thing.remaining > 0);
  // As a tap of the run: it counts at once, and is kept on the device until it has arrived.
  const note = (entry: NewStockEntry['entry']) =>
    handIn(({ at }) => ({ kind: 'stock', jobId: job.id, entry: { id: nanoid(), at, entry } }));
  const take = (thing: StockRow) => {
    if (inHand) note({ type: 'put-back', thing: inHand.id });
    note({ type: 'taken', thing: thing.id, job: job.id });
  };
  const empty = () => {
    note({ type: 'thrown-away', thing: inHand!.id, reason: 'empty', job: job.id });
    if (next) note({ type: 'taken', thing: next.id, job: job.id });
  };
  const tooLittle = inHand && inHand.remaining < amount;
  return (
    <div
      aria-label="Bottle in hand"
      role="group"
      className="mt-2 flex flex-wrap items-center gap-3 border-t pt-2 text-lg"
    >
      <FlaskConical size={22} className="shrink-0 text-ink-2" aria-hidden />
      {inHand ? (
        <>
          <span className="min-w-0 flex-1">
            <strong>{named(inHand)}</strong> · {amountIn(inHand.unit, inHand.remaining)} left{' '}
            <span className="text-[15px] text-ink-2">{BASES[inHand.basis]}</span>
            {tooLittle && (
              <span className="block font-semibold text-stop">too little for this patch: change it first</span>
            )}
            {inHand.past && (
              <span className="block font-semibold text-warn">past its time since {day(inHand.goodUntil!)}</span>
            )}
          </span>
          <Button glove onClick={empty}>
            Empty{next ? ': next' : ''}
          </Button>
        </>
      ) : (
        <span className="min-w-0 flex-1 text-warn">{next ? 'No bottle in hand' : 'None in stock that is good'}</span>
      )}
      {!inHand && next && (
        <Button glove look="main" onClick={() => take(next)}>
          Take {named(next)}, {amountIn(next.unit, next.remaining)}
        </Button>
      )}
      {kind.things.length > 0 && (
        <Button glove onClick={() => setChanging(true)}>
          {inHand ? 'Change' : 'Another'}
        </Button>
      )}
      <Dialog title={`Which ${product.name}`} open={changing} onClose={() => setChanging(false)}>
        <ul className="space-y-2">
          {kind.things
            .filter(({ id }) => id !== inHand?.id)
            .map((thing) => (
              <li key={thing.id}>
                <Button
                  glove
                  className="w-full justify-between!"
                  disabled={thing.inHand !== undefined}
                  onClick={() => {
                    setChanging(false);
                    take(thing);
                  }}
                >
                  <span>
                    {named(thing)}
                    {thing.place && <span className="text-ink-2"> · {thing.place}</span>}
                  </span>
                  <span className={thing.past ? 'font-semibold text-stop' : 'text-ink-2'}>
                    {thing.inHand
                      ? 'in hand at another job'
                      : thing.past
                        ? `past its time, ${day(thing.goodUntil!)}: take it all the same`
                        : leftOf(thing)}
                  </span>
                </Button>
              </li>
            ))}
        </ul>
      </Dialog>
    </div>
  );
});
