import { memo, useMemo, useState } from 'react';
import { patchKey, patchWindow, type RunEntry, type SheetPatch, windowState } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { useNameOf } from '../../people/api';
import { Countdown } from '../../ui/Countdown';
import { clock } from '../../ui/moments';
import { AskFirst, type Question } from '../../bay/AskFirst';
import { tooEarly } from './doubts';
import { ageAtTap, useAge } from './useAge';

interface Props {
  /** The patch that stands large. */
  readonly current?: SheetPatch;
  /** What others have in hand. */
  readonly others: readonly SheetPatch[];
  readonly onTap: (entry: RunEntry) => void;
}

const TONE = {
  before: 'border-line-strong',
  opening: 'border-line-strong',
  open: 'border-ok bg-ok-soft',
  closing: 'border-warn bg-warn-soft',
  closed: 'border-stop bg-stop-soft',
  none: 'border-line-strong',
} as const;

/** What else is wet, the oldest first, each with its own window, and what others have in hand: a tap takes it over. */
export const Meanwhile = memo(function Meanwhile({ current, others, onTap }: Props) {
  const job = useJob('byOf', 'document', 'nameOf', 'sheet');
  const { sheet, document } = job;
  const nameOf = useNameOf();
  const wet = sheet.wet.filter(({ patch }) => !current || patchKey(patch) !== patchKey(current.patch));
  if (wet.length + others.length === 0) return null;
  const nameFor = ({ patch, sections }: SheetPatch) =>
    job.nameOf(patch.surface) + (sections > 1 ? ` ${patch.section}/${sections}` : '');
  return (
    <ul aria-label="Also wet" className="mt-2 flex shrink-0 gap-3 overflow-x-auto">
      {wet.map((each) => (
        <AlsoWet key={patchKey(each.patch)} wet={each} name={nameFor(each)} onTap={onTap} />
      ))}
      {others.map((each) => {
        const done = each.record!;
        const isLaying = each.state === 'laying';
        const who = job.byOf((isLaying ? done.layEntry : done.levelEntry) ?? '');
        const sinceMin = isLaying ? done.layStartMin : (done.levelStartMin ?? done.layStartMin);
        return (
          <li key={patchKey(each.patch)} className="shrink-0">
            <button
              type="button"
              className="min-h-18 rounded border-2 border-dashed border-line-strong px-3 py-1.5 text-left disabled:opacity-45"
              aria-label={`${nameFor(each)} is ${isLaying ? 'laid' : 'level'}`}
              onClick={() => onTap({ type: isLaying ? 'lay-end' : 'level-end', patch: each.patch })}
            >
              <Named>{nameFor(each)}</Named>
              <span className="text-lg">
                {isLaying ? 'being laid' : 'being levelled'}
                {who !== undefined && `, ${nameOf(who)}`}{' '}
                <span className="figure">
                  <Countdown startAt={document.startAt} atMin={sinceMin} />
                </span>
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
});

const Named = ({ children }: { readonly children: string }) => (
  <strong className="block text-lg leading-tight font-semibold">{children}</strong>
);

interface AlsoWetProps {
  readonly wet: SheetPatch;
  readonly name: string;
  readonly onTap: (entry: RunEntry) => void;
}

/** One of them: a tap begins to level it. */
function AlsoWet({ wet, name, onTap }: AlsoWetProps) {
  const job = useJob('at', 'document', 'planned', 'record');
  const { planned, record, document } = job;
  const { startMin, window } = useMemo(() => patchWindow(planned, record, wet, wet.startMin), [planned, record, wet]);
  const [question, setQuestion] = useState<Question>();
  const ageMin = useAge(document.startAt, startMin, window);
  const { fromMin = 0, byMin = null } = window.guarded ?? {};
  const count = (atAgeMin: number) => <Countdown startAt={document.startAt} atMin={startMin + atAgeMin} />;
  const [says, when] =
    ageMin < fromMin
      ? (['opens in', fromMin] as const)
      : byMin === null
        ? (['open'] as const)
        : ageMin > byMin
          ? (['closed'] as const)
          : (['left', byMin] as const);
  return (
    <li className="shrink-0">
      <button
        type="button"
        className={`min-h-18 rounded border-2 px-3 py-1.5 text-left disabled:opacity-45 ${TONE[windowState(window, ageMin)]}`}
        onClick={() => {
          const does = () => onTap({ type: 'level-start', patch: wet.patch });
          const soon = tooEarly(window, ageAtTap(document.startAt, startMin), does);
          if (soon) setQuestion(soon);
          else does();
        }}
      >
        <span className="sr-only">Level </span>
        <Named>{name}</Named>
        <span className="figure text-xl">
          {says === 'left' ? (
            <>{count(when)} left</>
          ) : when === undefined ? (
            says
          ) : (
            <>
              {says} {count(when)}
            </>
          )}
        </span>
        {byMin !== null && <span className="ml-3 text-[15px]">by {clock(job.at(startMin + byMin))}</span>}
      </button>
      {question && <AskFirst question={question} onClose={() => setQuestion(undefined)} />}
    </li>
  );
}
