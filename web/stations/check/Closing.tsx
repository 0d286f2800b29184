import { Check, CircleCheck } from 'lucide-react';
import { Fragment, useMemo } from 'react';
import { Link } from 'react-router';
import { closingView } from '#job/check';
import { handsOn, LEFT_WORDS } from '#core/lay/run';
import { hours } from '../../ui/hours';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { MaterialCosts } from '../../material/MaterialCosts';
import { LookedAtBy } from './SecondPair';
import { LeaveOut } from '../../bay/LeaveOut';
import { useTap } from '../../bay/useTap';

/** So many panels are named: the others stand under Run. */
const MOST_NAMED = 6;

/** Before it goes: what is not done, and the list that is gone through by hand. Done is all of it, or left with a reason. */
export function Closing({ isChecked }: { readonly isChecked: boolean }) {
  const job = useJob('document', 'id', 'laid', 'nameOf', 'planned', 'record', 'sheet');
  const { document, sheet, record } = job;
  const { tap, settling } = useTap(job.id);
  const { lacking, ticks, bare, isDone } = useMemo(
    () => closingView(document, sheet, record),
    [document, sheet, record],
  );
  const { lay, level } = useMemo(() => handsOn(job.planned, record), [job.planned, record]);
  const left = [...record.left];
  return (
    <Part title="Before it goes">
      {isDone && isChecked ? (
        <p className="mb-3 flex items-center gap-3 border-2 border-ok bg-ok-soft px-4 py-3 text-xl font-semibold">
          <CircleCheck size={32} className="shrink-0 text-ok" aria-hidden /> Done: every panel laid or left with a
          reason, looked at, and closed.
        </p>
      ) : null}
      {lacking.length > 0 && (
        <div role="note" className="mb-3 border-l-4 border-warn bg-warn-soft px-3 py-2">
          <p className="font-semibold">
            Not done on {lacking.length} {lacking.length === 1 ? 'panel' : 'panels'}
          </p>
          <ul>
            {lacking.slice(0, MOST_NAMED).map(({ surface, name, patches, refused, twinDone }) => (
              <li key={surface} className="flex items-center gap-3 border-t border-warn/40 py-1 first:border-t-0">
                <p className="flex-1">
                  <Link className="underline" to={`/jobs/${job.id}/${patches > 0 ? 'run' : 'layer'}?panel=${surface}`}>
                    {name}
                  </Link>
                  : {patches > 0 && `${patches} ${patches === 1 ? 'patch' : 'patches'} to go`}
                  {patches > 0 && refused > 0 && ', '}
                  {refused > 0 && `${refused === 1 ? 'a coat is' : `${refused} coats are`} refused`}
                  {twinDone !== undefined && <strong>. {twinDone} is done</strong>}
                </p>
                <LeaveOut surface={surface} />
              </li>
            ))}
            {lacking.length > MOST_NAMED && <li>and {lacking.length - MOST_NAMED} more</li>}
          </ul>
        </div>
      )}
      {lay.tookMin > 0 && (
        <dl className="mb-3 grid grid-cols-[1fr_auto_auto] gap-x-4">
          {(
            [
              ['Laying', lay],
              ['Levelling', level],
            ] as const
          ).map(([name, { tookMin, plannedMin }]) => (
            <Fragment key={name}>
              <dt>{name}, hands on</dt>
              <dd className="text-right font-semibold">{hours(tookMin)}</dd>
              <dd className="text-right text-ink-2">planned {hours(plannedMin)}</dd>
            </Fragment>
          ))}
        </dl>
      )}
      {lay.tookMin > 0 && (
        <div className="mb-3">
          <MaterialCosts />
        </div>
      )}
      <LookedAtBy surfaces={[...job.laid]} />
      {left.length > 0 && (
        <ul className="mb-3 text-ink-2">
          {left.map(([surface, { reason }]) => (
            <li key={surface}>
              {job.nameOf(surface)} is left out: {LEFT_WORDS[reason].toLowerCase()}
            </li>
          ))}
        </ul>
      )}
      <ul aria-label="Closing list">
        {ticks.map(({ line, what, answer }) => (
          <li key={line} className="border-t first:border-t-0">
            <Button
              look="quiet"
              glove
              aria-pressed={answer === 'yes'}
              className="w-full justify-start! gap-3! whitespace-normal! px-1! text-left"
              disabled={settling || answer !== undefined}
              onClick={() => tap({ type: 'answered', list: 'closing', line, answer: 'yes' })}
            >
              <span
                aria-hidden
                className={`grid size-8 shrink-0 place-items-center border-2 ${answer ? 'border-ok text-ok' : 'border-line-strong'}`}
              >
                {answer && <Check size={24} />}
              </span>
              {what}
            </Button>
          </li>
        ))}
      </ul>
      {bare.length > 0 && (
        <ul aria-label="Left as it is" className="mt-3 text-[15px] text-ink-2">
          {bare.map((each) => (
            <li key={each}>{each}</li>
          ))}
        </ul>
      )}
    </Part>
  );
}
