import type { SheetPatch } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Countdown } from '../../ui/Countdown';
import { Meanwhile } from './Meanwhile';
import { useTap } from '../../bay/useTap';
import { partOf } from './words';

interface Props {
  readonly patch: SheetPatch;
  readonly others: readonly SheetPatch[];
}

/** Nothing to touch yet: what comes to these hands next, and how far the others are with it. */
export function Watch({ patch, others }: Props) {
  const job = useJob('document', 'id', 'nameOf');
  const { tap, settling } = useTap(job.id);
  const { state } = patch;
  return (
    <section aria-label="In hand" className="flex min-h-0 flex-col overflow-auto px-6 py-5">
      <p className="text-2xl text-ink-2">
        {state === 'laying'
          ? 'Being laid'
          : state === 'levelling'
            ? 'Being levelled'
            : state === 'todo'
              ? 'Wait: next to lie'
              : 'All laid; still wet'}
      </p>
      <h2 className="figure text-[clamp(2rem,4.2vw,3.4rem)] leading-[1.05]">{job.nameOf(patch.patch.surface)}</h2>
      <p className="mt-1 text-xl">{partOf(job, patch)}</p>
      {patch.record && (
        <p className="mt-6 flex items-baseline gap-4 text-2xl text-ink-2">
          begun
          <strong className="figure text-[clamp(3rem,7vw,5.2rem)] leading-none text-ink">
            <Countdown startAt={job.document.startAt} atMin={patch.record.layStartMin} />
          </strong>
          ago
        </p>
      )}
      <fieldset disabled={settling} className="contents">
        <Meanwhile others={others} onTap={tap} />
        {state === 'laying' && (
          <Button
            glove
            className="mt-auto min-h-20 w-full text-2xl"
            onClick={() => tap({ type: 'level-start', patch: patch.patch })}
          >
            Follow: start levelling it
          </Button>
        )}
      </fieldset>
    </section>
  );
}
