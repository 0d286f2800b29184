import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { stageKey, type StageNow } from '#core/prepare/stages';
import type { SheetPatch } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { DoNotBegin } from '../../material/DoNotBegin';
import { usePickList } from '../../material/usePickList';
import { Checklist, useChecklist } from './Checklist';
import { StageInHand } from './StageInHand';

interface Props {
  readonly stage: StageNow | undefined;
  readonly first: SheetPatch | undefined;
  /** Whether what the first patch wants is asked for now. */
  readonly isChecklistDue: boolean;
  readonly onLay: (() => void) | undefined;
  /** What hands do once nothing stands before it. */
  readonly children: ReactNode;
}

/** Before the first patch: what nobody begins without, the stages of preparation, and what has to lie at hand. */
export function NotBegun({ stage, first, isChecklistDue, onLay, children }: Props) {
  const job = useJob(
    'at',
    'document',
    'id',
    'nowMin',
    'plan',
    'planned',
    'prepared',
    'products',
    'record',
    'sheet',
    'stock',
  );
  const checklist = useChecklist(job, first);
  const unsafe = usePickList(job).short.filter(({ line }) => line.protective);
  if (unsafe.length > 0)
    return (
      <section aria-label="In hand" className="overflow-auto p-6">
        <DoNotBegin bay unsafe={unsafe} />
        <Link
          to={`/jobs/${job.id}/quantify?view=list`}
          className="flex min-h-20 items-center justify-center rounded border border-line-strong bg-sheet text-2xl hover:bg-tint-1"
        >
          What has to lie ready
        </Link>
      </section>
    );
  if (stage) return <StageInHand key={stageKey(stage.stage)} now={stage} onLay={onLay} />;
  if (first && isChecklistDue && checklist.some(({ state }) => state === undefined))
    return <Checklist first={first} lines={checklist} />;
  return children;
}
