import { Play } from 'lucide-react';
import type { RunRecord } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Countdown } from '../../ui/Countdown';
import { PAUSE_NAMES } from '../../bay/pause-names';
import { Meanwhile } from './Meanwhile';
import { useTap } from '../../bay/useTap';

interface Props {
  readonly pause: RunRecord['pauses'][number];
}

/** The work stands still; what is wet does not: its windows go on. */
export function Paused({ pause }: Props) {
  const job = useJob('document', 'id', 'sheet');
  const { tap, settling } = useTap(job.id);
  return (
    <section aria-label="In hand" className="flex min-h-0 flex-col overflow-auto px-6 py-5">
      <p className="text-2xl text-ink-2">Paused</p>
      <h2 className="figure text-[clamp(2rem,4.2vw,3.4rem)] leading-[1.05]">{PAUSE_NAMES[pause.reason]}</h2>
      <p className="mt-6 flex items-baseline gap-4 text-2xl text-ink-2">
        for
        <strong className="figure text-[clamp(3rem,7vw,5.2rem)] leading-none text-ink">
          <Countdown startAt={job.document.startAt} atMin={pause.fromMin} />
        </strong>
      </p>
      {job.sheet.wet.length > 0 && (
        <p className="mt-4 text-xl font-semibold text-warn">What is wet does not wait. A tap on it goes on with it.</p>
      )}
      <fieldset disabled={settling} className="contents">
        <Meanwhile others={[]} onTap={tap} />
        <Button
          look="main"
          glove
          className="mt-auto min-h-28 w-full text-[2rem]"
          onClick={() => tap({ type: 'run-resume' })}
        >
          <Play size={30} /> Go on
        </Button>
      </fieldset>
    </section>
  );
}
