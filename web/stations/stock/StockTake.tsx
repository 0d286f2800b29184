import { ScanLine } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import type { StockRow } from '#formats/stock';
import { errorText, useStockQuery } from '../../app/api';
import { useNoteStock } from '../../app/calls';
import { Button } from '../../ui/Button';
import { formatNumber, parseNumber } from '../../ui/numbers';
import { cameraReader, simulatedReader } from './code-reader';
import { Level } from './Level';
import { StockPage } from './StockPage';
import { leftOf, UNIT_SHOWN } from '../../material/stock-words';

/** By place, as one walks along the shelf. */
const alongTheShelf = (a: StockRow, b: StockRow) =>
  (a.place ?? '~').localeCompare(b.place ?? '~') || a.name.localeCompare(b.name) || a.id.localeCompare(b.id);

/** The whole shelf by keyboard alone: type what is there, Enter, next; Enter by itself: as it stands. */
export function Component() {
  const { data, error } = useStockQuery({});
  const [note] = useNoteStock();
  const [counted, setCounted] = useState<ReadonlyMap<string, number>>(new Map());
  const [refused, setRefused] = useState<ReadonlyMap<string, string>>(new Map());
  const [said, setSaid] = useState('');
  const fields = useRef(new Map<string, HTMLInputElement>());
  const rows = useMemo(() => (data?.rows ?? []).toSorted(alongTheShelf), [data]);
  const go = (id: string | undefined) => {
    const field = id === undefined ? undefined : fields.current.get(id);
    field?.focus();
    field?.select();
    field?.scrollIntoView({ block: 'center' });
  };
  const step = (from: string, by: number) => go(rows[rows.findIndex(({ id }) => id === from) + by]?.id);
  const findCode = (code: string) => {
    const known = rows.some(({ id }) => id === code.trim());
    setSaid(known ? '' : `Nothing in stock has the code “${code.trim()}”.`);
    if (known) go(code.trim());
  };
  const count = async (row: StockRow, typed: string) => {
    const remaining = typed.trim() === '' ? row.remaining : parseNumber(typed);
    const why =
      remaining === undefined || remaining < 0
        ? `“${typed}” is no amount`
        : await note({ type: 'counted', thing: row.id, remaining }).then(
            ({ error: failed }) => failed && errorText(failed),
          );
    setRefused((before) => {
      const next = new Map(before);
      if (why) next.set(row.id, why);
      else next.delete(row.id);
      return next;
    });
    if (why) return go(row.id);
    setCounted((before) => new Map(before).set(row.id, remaining!));
    step(row.id, 1);
  };
  const camera = useMemo(() => cameraReader(), []);
  const standIn = simulatedReader(() => rows.find(({ id }) => !counted.has(id))?.id);
  return (
    <StockPage error={error}>
      <div className="mt-4 flex flex-wrap items-end gap-3">
        <div>
          <label className="label block" htmlFor="code">
            Code, scanned or typed
          </label>
          <input
            id="code"
            className="field w-56"
            autoFocus
            onKeyDown={(event) => {
              if (event.key !== 'Enter') return;
              const { currentTarget } = event;
              if (currentTarget.value.trim() === '') go(rows.find(({ id }) => !counted.has(id))?.id);
              else findCode(currentTarget.value);
              currentTarget.value = '';
            }}
          />
        </div>
        {[...(camera ? [camera] : []), standIn].map((reader) => (
          <Button
            key={reader.name}
            onClick={() =>
              void reader.read().then(
                (code) => (code === undefined ? setSaid('No code was read.') : findCode(code)),
                () => setSaid('The camera cannot be used here.'),
              )
            }
          >
            <ScanLine size={17} /> {reader.name}
          </Button>
        ))}
        <p className="flex-1 text-right">
          <span className="figure text-3xl">{counted.size}</span>{' '}
          <span className="text-ink-2">of {rows.length} counted</span>
        </p>
      </div>
      <p className="mt-1 text-[13.5px] text-ink-2" role="status">
        {said ||
          'Type what is left and Enter for the next; Enter by itself: as it stands. Arrows up and down walk along.'}
      </p>
      {rows.length === 0 && data && <p className="mt-5 text-ink-2">Nothing is in stock yet.</p>}
      <ul aria-label="To count" className="mt-3 divide-y border-y bg-sheet">
        {rows.map((row) => (
          <li
            key={row.id}
            className={`grid grid-cols-[auto_minmax(0,1fr)_auto_9rem] items-center gap-4 px-4 py-1.5 ${counted.has(row.id) ? 'bg-ok-soft' : ''}`}
          >
            <Level row={row} tall={28} />
            <span className="min-w-0">
              <strong className="block truncate text-[15px]">{row.name}</strong>
              <span className="block truncate text-[13px] text-ink-2">
                {[row.place, row.batch && `batch ${row.batch}`, row.id].filter(Boolean).join(' · ')}
              </span>
              {refused.has(row.id) && (
                <span role="alert" className="block text-[13px] text-stop">
                  {refused.get(row.id)}
                </span>
              )}
            </span>
            <span className="whitespace-nowrap text-right text-ink-2">{leftOf(row)}</span>
            <span className="relative block">
              <input
                ref={(field) => {
                  if (field) fields.current.set(row.id, field);
                  else fields.current.delete(row.id);
                }}
                aria-label={`Left of ${row.name}, ${row.id}`}
                inputMode="decimal"
                className={`field pr-14 ${refused.has(row.id) ? 'border-stop' : ''}`}
                placeholder={formatNumber(row.remaining)}
                onKeyDown={(event) => {
                  const { key, currentTarget } = event;
                  if (key === 'Enter') void count(row, currentTarget.value);
                  if (key === 'Escape') currentTarget.value = '';
                  if (key !== 'ArrowDown' && key !== 'ArrowUp') return;
                  event.preventDefault();
                  step(row.id, key === 'ArrowDown' ? 1 : -1);
                }}
              />
              <span className="label pointer-events-none absolute right-2.5 top-2.5">{UNIT_SHOWN[row.unit]}</span>
            </span>
          </li>
        ))}
      </ul>
      {data && data.found > rows.length && (
        <p className="mt-2 text-ink-2">
          The first {rows.length} of {data.found}. Scan a code for the others.
        </p>
      )}
    </StockPage>
  );
}
