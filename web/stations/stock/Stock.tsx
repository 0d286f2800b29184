import { Download, PackagePlus } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { useSearchParams } from 'react-router';
import { STOCK_STATES, type StockList, type StockRow, type StockState } from '#formats/stock';
import { addressOf } from '../../app/address-of';
import { useStockQuery } from '../../app/api';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/DateField';
import { day } from '../../ui/moments';
import { PaperLink } from '../../ui/PaperLink';
import { Level } from './Level';
import { StockFile } from './StockFile';
import { StockPage } from './StockPage';
import { TakeInDialog } from './TakeInDialog';
import { ThingPanel } from './ThingPanel';
import { amountIn, basisOf, leftOf } from '../../material/stock-words';

const STATE_NAMES: Readonly<Record<StockState, string>> = {
  in: 'Everything in hand',
  open: 'Open',
  past: 'Past its time',
  gone: 'Gone',
  all: 'All there ever was',
};

/** Things, not a number: each bottle, tin, roll and pack with its batch, what is left, and how one knows. */
export function Component() {
  const [params, setParams] = useSearchParams();
  const [find, setFind] = useState('');
  const [taking, setTaking] = useState(false);
  const state = (params.get('state') ?? 'in') as StockState;
  const [of, at, chosen] = [params.get('of') ?? undefined, params.get('at') ?? undefined, params.get('thing')];
  const asked = {
    ...(find.trim() && { find: find.trim() }),
    ...(STOCK_STATES.includes(state) && { state }),
    ...(of && { of }),
    ...(at && { at: new Date(`${at}T23:59:59`).toISOString() }),
  };
  const { data, error } = useStockQuery(useDeferredValue(asked));
  const set = (key: string, value: string | undefined) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        if (value) next.set(key, value);
        else next.delete(key);
        return next;
      },
      { replace: true },
    );
  const ofName = data?.totals.find((total) => total.of === of)?.name ?? of;
  return (
    <StockPage
      error={error}
      wide
      actions={
        <Button look="main" onClick={() => setTaking(true)}>
          <PackagePlus size={18} /> Take in
        </Button>
      }
    >
      <div className="mt-4 flex flex-wrap items-end gap-3">
        <div>
          <label className="label block" htmlFor="find-stock">
            Find by name, batch, place or code
          </label>
          <input
            id="find-stock"
            type="search"
            className="field w-64"
            value={find}
            onChange={({ target }) => setFind(target.value)}
          />
        </div>
        <div>
          <label className="label block" htmlFor="which-stock">
            Show
          </label>
          <select
            id="which-stock"
            className="field w-48"
            value={state}
            onChange={({ target }) => set('state', target.value === 'in' ? undefined : target.value)}
          >
            {STOCK_STATES.map((each) => (
              <option key={each} value={each}>
                {STATE_NAMES[each]}
              </option>
            ))}
          </select>
        </div>
        <DateField label="As it was on" className="w-44" value={at ?? ''} onChange={(next) => set('at', next)} />
        {of && (
          <Button look="quiet" onClick={() => set('of', undefined)}>
            Only {ofName}: show all
          </Button>
        )}
        <span className="flex-1" />
        <PaperLink href={addressOf('stockLabels', asked)}>Labels</PaperLink>
        <a
          className="inline-flex min-h-9.5 items-center gap-1.5 rounded border border-line-strong bg-sheet px-3 hover:bg-tint-1"
          href={addressOf('stockCsv')}
          download
        >
          <Download size={16} /> CSV
        </a>
        <StockFile />
      </div>
      {data && (
        <div className="mt-4 grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
          <Things data={data} chosen={chosen ?? undefined} onChoose={(id) => set('thing', id)} filtered={find !== ''} />
          <aside aria-label="The thing chosen" className="lg:sticky lg:top-4 lg:self-start">
            {chosen ? (
              <ThingPanel key={chosen} id={chosen} />
            ) : (
              <Totals totals={data.totals} onOf={(next) => set('of', next)} />
            )}
          </aside>
        </div>
      )}
      {taking && <TakeInDialog onClose={() => setTaking(false)} />}
    </StockPage>
  );
}

interface ThingsProps {
  readonly data: StockList;
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
  readonly filtered: boolean;
}

function Things({ data: { rows, found }, chosen, onChoose, filtered }: ThingsProps) {
  if (rows.length === 0) {
    return (
      <p className="border border-line-strong bg-sheet p-6 text-ink-2">
        {filtered
          ? 'Nothing in stock is called that.'
          : 'Nothing here. Take in what stands on the shelf: every bottle, tin, roll and pack, with its batch.'}
      </p>
    );
  }
  return (
    <div>
      <ul aria-label="Things in stock" className="divide-y border-y bg-sheet">
        {rows.map((row) => (
          <li key={row.id}>
            <button
              type="button"
              aria-pressed={row.id === chosen}
              onClick={() => onChoose(row.id)}
              className={`grid w-full grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-4 border-l-4 px-4 py-2 text-left hover:bg-tint-1 ${row.id === chosen ? 'border-over bg-over-soft' : 'border-transparent'}`}
            >
              <Level row={row} />
              <span className="min-w-0">
                <strong className="block truncate">{row.name}</strong>
                <span className="block truncate text-[13.5px] text-ink-2">
                  {[row.batch && `batch ${row.batch}`, row.place, row.id].filter(Boolean).join(' · ')}
                </span>
              </span>
              <span className="text-right">
                <span className="block font-semibold">{leftOf(row)}</span>
                <Said row={row} />
              </span>
            </button>
          </li>
        ))}
      </ul>
      {found > rows.length && (
        <p className="mt-2 text-ink-2">
          The first {rows.length} of {found}: find by a name, a batch or a code.
        </p>
      )}
    </div>
  );
}

function Said({ row }: { readonly row: StockRow }) {
  if (row.gone) return <span className="text-[13.5px] text-ink-2">gone {day(row.gone.at)}</span>;
  if (row.past)
    return <span className="text-[13.5px] font-semibold text-stop">past its time, {day(row.goodUntil!)}</span>;
  return (
    <span className="text-[13.5px] text-ink-2">
      {row.inHand ? <span className="text-over">in hand at a job</span> : basisOf(row)}
      {row.goodUntil && ` · good until ${day(row.goodUntil)}`}
    </span>
  );
}

/** Kind by kind, what is good of it and what is not. */
function Totals({ totals, onOf }: { readonly totals: StockList['totals']; readonly onOf: (of: string) => void }) {
  if (totals.length === 0) return null;
  return (
    <section aria-label="By kind" className="border border-line-strong bg-sheet p-4">
      <h2 className="text-[17px] font-semibold">By kind</h2>
      <ul className="mt-2 max-h-[60vh] divide-y overflow-auto text-[14px]">
        {totals.map(({ kind, of, name, unit, things, good, past }) => (
          <li key={`${kind}/${of}`}>
            <button
              type="button"
              className="flex w-full justify-between gap-3 py-1.5 text-left hover:bg-tint-1"
              onClick={() => onOf(of)}
            >
              <span className="min-w-0 truncate">{name}</span>
              <span className="whitespace-nowrap">
                {amountIn(unit, good)}
                {past > 0 && <span className="text-stop"> + past</span>}
                <span className="text-ink-3"> · {things}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
