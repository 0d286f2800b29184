import { Scale, Trash2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { BASES, GONE_REASON_IDS, GONE_REASONS, type GoneReason, isCut } from '#core/stock';
import type { StockLogEntry, StockRow } from '#formats/stock';
import { USUAL_CURRENCY } from '#formats/job';
import { money } from '#formats/values';
import { errorText, useJobsOfTheDayQuery, useStockThingQuery, useWeighMutation } from '../../app/api';
import { useNoteStock } from '../../app/calls';
import { Button } from '../../ui/Button';
import { measured } from '../../ui/measures';
import { day, moment } from '../../ui/moments';
import { NumberField } from '../../ui/NumberField';
import { SelectField } from '../../ui/SelectField';
import { TextField } from '../../ui/TextField';
import { Level } from './Level';
import { amountIn, leftOf, UNIT_SHOWN } from '../../material/stock-words';

/** One thing: what is left and how one knows, what can be noted of it, and all that happened to it. */
export function ThingPanel({ id }: { readonly id: string }) {
  const { data, error } = useStockThingQuery({ id });
  if (error)
    return (
      <p role="alert" className="border-l-4 border-stop bg-stop-soft px-4 py-3">
        {errorText(error)}
      </p>
    );
  if (!data) return null;
  const { row, log } = data;
  return (
    <section aria-label={row.name} className="border border-line-strong bg-sheet">
      <div className="flex items-center gap-4 p-4">
        <Level row={row} tall={72} />
        <div className="min-w-0">
          <h2 className="text-[17px] font-semibold leading-tight">{row.name}</h2>
          <p className="figure text-2xl">{leftOf(row)}</p>
          <p className="text-[13.5px] text-ink-2">
            {BASES[row.basis]}
            {row.basis === 'reckoned' ? ' since ' : ', '}
            {moment(row.knownAt)}
          </p>
          {row.overdrawn > 0 && (
            <p className="text-[13.5px] text-warn">
              {amountIn(row.unit, row.overdrawn)} more was laid than it was thought to hold: weigh it.
            </p>
          )}
        </div>
      </div>
      <Facts row={row} />
      {!row.gone && <Notes row={row} />}
      <History log={log} row={row} />
    </section>
  );
}

function Facts({ row }: { readonly row: StockRow }) {
  const facts: [string, string | undefined][] = [
    ['Batch', row.batch],
    ['Place', row.place],
    ['Bought', `${day(row.boughtAt)}${row.paid === undefined ? '' : `, ${money(row.paid, USUAL_CURRENCY)}`}`],
    ['Opened', row.openedAt && day(row.openedAt)],
    ['Good until', row.goodUntil && day(row.goodUntil)],
    ['Weighs empty', row.emptyG === undefined ? undefined : measured('mass', row.emptyG, 1)],
    ['Gone', row.gone && `${GONE_REASONS[row.gone.reason]}, ${day(row.gone.at)}`],
    ['Code', row.id],
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5 border-t px-4 py-3 text-[14px]">
      {facts.map(([name, value]) =>
        value === undefined ? null : (
          <div key={name} className="contents">
            <dt className="text-ink-2">{name}</dt>
            <dd className={`truncate text-right ${name === 'Good until' && row.past ? 'font-semibold text-stop' : ''}`}>
              {value}
            </dd>
          </div>
        ),
      )}
    </dl>
  );
}

/** What can be noted of it now. */
function Notes({ row }: { readonly row: StockRow }) {
  const [note, { error, isLoading }] = useNoteStock();
  const [weigh, { error: scaleError }] = useWeighMutation();
  const [reason, setReason] = useState<GoneReason>('empty');
  const [emptyG, setEmptyG] = useState<number>();
  const scales = row.unit === 'ml' || row.unit === 'g';
  const thing = row.id;
  const problem = error ?? scaleError;
  return (
    <div className="space-y-3 border-t p-4">
      {scales && (
        <div className="flex flex-wrap items-end gap-2">
          <Button
            disabled={isLoading}
            onClick={() =>
              void weigh({ body: { thing } }).then(
                ({ data }) => data && note({ type: 'weighed', thing, ...data, ...(emptyG && { emptyG }) }),
              )
            }
          >
            <Scale size={17} /> Weigh it
          </Button>
          <span className="pb-2 text-[13px] text-ink-2">simulated bottle scale</span>
          {row.emptyG === undefined && row.openedAt && (
            <NumberField optional label="Weighs empty" unit="g" value={emptyG} onChange={setEmptyG} />
          )}
        </div>
      )}
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label="Left in it, as you see it"
          unit={UNIT_SHOWN[row.unit]}
          value={Math.round(row.remaining * 100) / 100}
          check={(value) =>
            value >= 0 && value <= row.size ? undefined : `it holds only ${amountIn(row.unit, row.size)}`
          }
          onChange={(remaining) => remaining !== undefined && void note({ type: 'counted', thing, remaining })}
        />
        <TextField
          label="Place"
          value={row.place ?? ''}
          required
          onChange={(place) => void note({ type: 'moved', thing, place })}
        />
      </div>
      <div className="flex flex-wrap items-end gap-2">
        {!row.openedAt && (
          <Button disabled={isLoading} onClick={() => void note({ type: 'opened', thing })}>
            Open it
          </Button>
        )}
        {row.inHand && (
          <Button disabled={isLoading} onClick={() => void note({ type: 'put-back', thing })}>
            Put it back
          </Button>
        )}
        <div className="flex-1">
          <SelectField
            label="It leaves the stock"
            value={reason}
            options={GONE_REASON_IDS.map((id) => [id, GONE_REASONS[id]])}
            onChange={setReason}
          />
        </div>
        <Button
          look="danger"
          disabled={isLoading}
          aria-label="It leaves the stock"
          onClick={() => void note({ type: 'thrown-away', thing, reason })}
        >
          <Trash2 size={17} />
        </Button>
      </div>
      {problem && (
        <p role="alert" className="text-[14px] text-stop">
          {errorText(problem)}
        </p>
      )}
    </div>
  );
}

/** All that happened to it, the latest first; what was a slip is undone, and stays to be seen. */
function History({ log, row }: { readonly log: readonly StockLogEntry[]; readonly row: StockRow }) {
  const [note, { error }] = useNoteStock();
  const { data: jobs = [] } = useJobsOfTheDayQuery();
  const titles = new Map(jobs.map(({ id, title }) => [id, title]));
  const undone = new Set(log.flatMap(({ entry }) => (entry.type === 'undo' ? [entry.entry] : [])));
  return (
    <div className="border-t px-4 py-3">
      <h3 className="label">What happened to it</h3>
      <ol className="mt-1 max-h-72 overflow-auto text-[14px]">
        {log.toReversed().map(({ id, at, entry }) => (
          <li
            key={id}
            className={`flex items-baseline justify-between gap-2 border-t py-1 first:border-t-0 ${undone.has(id) ? 'text-ink-3 line-through' : ''}`}
          >
            <span>
              {inWords(entry, row, titles)} <span className="text-ink-3">{moment(at)}</span>
            </span>
            {!undone.has(id) && entry.type !== 'undo' && entry.type !== 'used' && (
              <button
                type="button"
                className="shrink-0 p-1 text-ink-2 hover:text-ink"
                aria-label={`Undo: ${inWords(entry, row, titles)}`}
                onClick={() => void note({ type: 'undo', thing: row.id, entry: id })}
              >
                <Undo2 size={15} />
              </button>
            )}
          </li>
        ))}
      </ol>
      {error && (
        <p role="alert" className="mt-1 text-[14px] text-stop">
          {errorText(error)}
        </p>
      )}
    </div>
  );
}

function inWords(entry: StockLogEntry['entry'], { unit }: StockRow, titles: ReadonlyMap<string, string>): string {
  switch (entry.type) {
    case 'bought':
      return 'Taken in';
    case 'opened':
      return 'Opened';
    case 'taken':
      return `In hand at ${titles.get(entry.job) ?? entry.job}`;
    case 'put-back':
      return 'Put back';
    case 'used':
      return `${amountIn(unit, entry.amount)} ${isCut(entry) ? 'cut' : 'laid'}, ${titles.get(entry.job) ?? entry.job}`;
    case 'weighed':
      return `Weighed ${measured('mass', entry.grossG, 1)}${entry.simulated ? ', simulated' : ''}`;
    case 'counted':
      return `Said to hold ${amountIn(unit, entry.remaining)}`;
    case 'flawed':
      return `Flaw ${Math.round(entry.fromMm)} to ${Math.round(entry.toMm)} mm along, ${Math.round(entry.lowMm)} to ${Math.round(entry.highMm)} mm across`;
    case 'moved':
      return `Moved to ${entry.place}`;
    case 'thrown-away':
      return GONE_REASONS[entry.reason];
    case 'undo':
      return 'Undone';
    case 'untaught':
      return 'A lesson taken back';
  }
}
