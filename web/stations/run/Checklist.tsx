import { Check, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { AskFirst, type Question } from '../../bay/AskFirst';
import { patchWindow, type SheetPatch } from '#core/lay/run';
import { bottleLine, checklistLines } from '#job/checklist';
import { stillBeforeLaying } from '#job/prepare';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { usePickList } from '../../material/usePickList';
import { batchInHand, Bottle } from './Bottle';
import { useTap } from '../../bay/useTap';

/** What the first patch wants at hand, as far as it is not known or answered for. */
export function useChecklist(
  job: Pick<
    JobView,
    'at' | 'document' | 'id' | 'nowMin' | 'plan' | 'planned' | 'prepared' | 'products' | 'record' | 'sheet' | 'stock'
  >,
  first: SheetPatch | undefined,
) {
  const { groups } = usePickList(job);
  if (!first) return [];
  const { product } = first.coat;
  const { window } = patchWindow(job.planned, job.record, first, Math.max(job.nowMin, first.startMin));
  const toLay = new Set(job.sheet.patches.map(({ patch }) => patch.surface));
  const inStock = job.stock?.kinds.some(({ of, things }) => of === product && things.length > 0);
  return checklistLines({
    groups,
    record: job.record,
    still: stillBeforeLaying(job.prepared, job.record, toLay),
    product,
    airHolds: window.guarded !== undefined,
    hasBottle: inStock ? batchInHand(job, product) !== undefined : undefined,
    hasDoors: job.document.surfaces.some(({ id }) => /door|bonnet|boot|tailgate|hatch/.test(id)),
  });
}

interface Props {
  readonly first: SheetPatch;
  readonly lines: ReturnType<typeof checklistLines>;
}

/** Before the first patch: everything that sends one running later. What is missing is said, and may be answered for. */
export function Checklist({ first, lines }: Props) {
  const job = useJob('document', 'id');
  const { tap, settling } = useTap(job.id);
  const product = job.document.products.find(({ id }) => id === first.coat.product)!;
  const [question, setQuestion] = useState<Question>();
  const open = lines.filter(({ state }) => state === undefined);
  const plain = open.filter(({ trouble }) => trouble === undefined);
  const answer = (line: string, given: 'yes' | 'without') =>
    tap({
      type: 'answered',
      list: 'gate',
      line,
      answer: given,
    });
  return (
    <section aria-label="Before the first patch" className="flex min-h-0 flex-col overflow-auto px-6 pt-4">
      <p className="text-2xl text-ink-2">Before the first patch</p>
      <h2 className="figure text-[clamp(1.8rem,3.6vw,2.8rem)] leading-tight">
        {open.length === 1 ? 'One thing is open' : `${open.length} things are open`}
      </h2>
      {lines.some(({ line, state }) => line === bottleLine(product.id) && state === undefined) && (
        <Bottle product={product} amount={first.amount} />
      )}
      <ul className="mt-3">
        {open.map(({ line, what, trouble, protective, needed }) => (
          <li key={line} className="flex items-center gap-3 border-t py-1.5 first:border-t-0">
            <p className="flex-1 text-xl">
              {what}
              {trouble !== undefined && (
                <span className="flex items-start gap-2 text-base text-warn">
                  <TriangleAlert size={20} className="mt-0.5 shrink-0" aria-hidden /> {trouble}
                </span>
              )}
            </p>
            {trouble === undefined && (
              <Button glove aria-label={`${what}: there`} disabled={settling} onClick={() => answer(line, 'yes')}>
                <Check size={26} />
              </Button>
            )}
            {needed && (
              <Button
                glove
                aria-label={`${what}: it is done`}
                disabled={settling}
                onClick={() =>
                  setQuestion({
                    title: `${what}, though nobody ticked it off?`,
                    says: `${trouble} That it is done is kept on the record, with your name.`,
                    not: 'Not yet',
                    sure: 'It is done',
                    onSure: () => answer(line, 'yes'),
                  })
                }
              >
                It is done
              </Button>
            )}
            {!protective && !needed && (
              <Button
                glove
                look="quiet"
                aria-label={`Go without: ${what}`}
                disabled={settling}
                onClick={() => answer(line, 'without')}
              >
                Without
              </Button>
            )}
          </li>
        ))}
      </ul>
      {question && <AskFirst question={question} onClose={() => setQuestion(undefined)} />}
      {plain.length > 0 && (
        <div className="sticky bottom-0 mt-auto shrink-0 bg-paper py-4">
          <Button
            look="main"
            glove
            className="min-h-24 w-full text-2xl"
            disabled={settling}
            onClick={() => plain.forEach(({ line }) => answer(line, 'yes'))}
          >
            {plain.length === open.length ? 'All of it lies ready' : 'The rest of it lies ready'}
          </Button>
        </div>
      )}
    </section>
  );
}
