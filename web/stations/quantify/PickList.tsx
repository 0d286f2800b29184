import { Check } from 'lucide-react';
import type { PickGroup } from '#core/lay/pick-list';
import { nanoid } from '@reduxjs/toolkit';
import { addressOf } from '../../app/address-of';
import { errorText } from '../../app/api';
import { useHandIn } from '../../outbox/useHandIn';
import { useJob } from '../../job/job-context';
import { PaperLink } from '../../ui/PaperLink';
import { amountIn } from '../../material/stock-words';
import { DoNotBegin } from '../../material/DoNotBegin';
import { usePickList } from '../../material/usePickList';
import { ViewSwitch } from './ViewSwitch';
import { useNameOf } from '../../people/api';

/** Everything the job wants at hand, in the order of work, ticked off on whatever tablet is nearest. */
export function PickListView() {
  const job = useJob('at', 'document', 'id', 'nowMin', 'plan', 'prepared', 'products', 'record');
  const { groups, ticked, tickedBy, short, error } = usePickList(job);
  const nameOf = useNameOf();
  const handIn = useHandIn();
  const lacking = new Map(short.map(({ line, has }) => [line.key, has]));
  const unsafe = short.filter(({ line }) => line.protective);
  const lines = groups.flatMap((group) => group.lines);
  const done = lines.filter(({ key }) => ticked.has(key)).length;
  return (
    <main className="flex h-full min-h-0 flex-col">
      <div className="flex shrink-0 flex-wrap items-center gap-4 border-b bg-sheet px-4 py-2">
        <ViewSwitch />
        <p className="flex-1" role="status">
          <span className="figure text-2xl">
            {done} of {lines.length}
          </span>{' '}
          <span className="text-ink-2">lie ready</span>
        </p>
        <PaperLink href={addressOf('pickListPaper', { id: job.id })}>Print on one sheet</PaperLink>
      </div>
      <div className="min-h-0 flex-1 overflow-auto p-5">
        {unsafe.length > 0 && <DoNotBegin unsafe={unsafe} />}
        {error !== undefined && (
          <p role="alert" className="mb-4 border-l-4 border-stop bg-stop-soft px-4 py-3">
            {errorText(error)}
          </p>
        )}
        {groups.length === 0 && (
          <p className="text-ink-2">Nothing is planned that wants anything at hand. Choose products under Layer.</p>
        )}
        <div className="gap-5 md:columns-2 xl:columns-3">
          {groups.map((group) => (
            <Group
              key={group.key}
              group={group}
              ticked={ticked}
              tickedBy={(line) => (tickedBy.has(line) ? nameOf(tickedBy.get(line)!) : undefined)}
              lacking={lacking}
              onTick={(line, ticked) =>
                handIn(({ at }) => ({ kind: 'tick', jobId: job.id, entry: { id: nanoid(), at, line, ticked } }))
              }
            />
          ))}
        </div>
      </div>
    </main>
  );
}

interface GroupProps {
  readonly group: PickGroup;
  readonly ticked: ReadonlySet<string>;
  /** What whoever ticked a line is called. */
  readonly tickedBy: (line: string) => string | undefined;
  readonly lacking: ReadonlyMap<string, number>;
  readonly onTick: (line: string, on: boolean) => void;
}

function Group({ group: { name, lines }, ticked, tickedBy, lacking, onTick }: GroupProps) {
  const all = lines.every(({ key }) => ticked.has(key));
  return (
    <section aria-label={name} className="mb-5 break-inside-avoid border border-line-strong bg-sheet">
      <h2 className={`flex items-center justify-between px-4 py-2 font-semibold ${all ? 'text-ok' : ''}`}>
        {name}
        {all && <Check size={18} aria-label="All there" />}
      </h2>
      <ul>
        {lines.map((line) => (
          <li key={line.key} className="border-t">
            <label className="flex min-h-12 cursor-pointer items-start gap-3 px-4 py-2 hover:bg-tint-1">
              <input
                type="checkbox"
                className="mt-0.5 size-6 shrink-0 accent-(--over)"
                checked={ticked.has(line.key)}
                onChange={({ target }) => onTick(line.key, target.checked)}
              />
              <span className={`min-w-0 flex-1 ${ticked.has(line.key) ? 'text-ink-3' : ''}`}>
                {line.what}
                {ticked.has(line.key) && tickedBy(line.key) !== undefined && (
                  <span className="text-[13px]"> · {tickedBy(line.key)}</span>
                )}
                {line.note && <span className="block text-[13px] text-ink-2">{line.note}.</span>}
                {lacking.has(line.key) && (
                  <span className={`block text-[13px] ${line.protective ? 'font-semibold text-stop' : 'text-warn'}`}>
                    {lacking.get(line.key)! > 0
                      ? `${amountIn(line.unit, lacking.get(line.key)!)} in stock`
                      : 'none in stock'}
                  </span>
                )}
              </span>
              <strong className="whitespace-nowrap">{amountIn(line.unit, line.amount)}</strong>
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}
