import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { addressOf } from '../../app/address-of';
import { useRecallQuery } from '../../app/api';
import { Button } from '../../ui/Button';
import { day } from '../../ui/moments';
import { PaperLink } from '../../ui/PaperLink';
import { Level } from './Level';
import { StockPage } from './StockPage';
import { amountIn, leftOf } from '../../material/stock-words';

/** Which items, which panels, which owners: one batch, one question, one list. */
export function Component() {
  const [params, setParams] = useSearchParams();
  const batch = params.get('batch') ?? '';
  const [typed, setTyped] = useState(batch);
  const { data, error } = useRecallQuery({ batch }, { skip: batch === '' });
  const panels = (data ?? []).flatMap(({ on }) => on);
  const ask = () => setParams(typed.trim() ? { batch: typed.trim() } : {});
  return (
    <StockPage error={error}>
      <form
        className="mt-4 flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          ask();
        }}
      >
        <div>
          <label className="label block" htmlFor="batch">
            Batch, as printed on it
          </label>
          <input id="batch" className="field w-64" value={typed} onChange={({ target }) => setTyped(target.value)} />
        </div>
        <Button look="main" type="submit">
          Find everything of it
        </Button>
        {panels.length > 0 && <PaperLink href={addressOf('recallPaper', { batch })}>Print the list</PaperLink>}
      </form>
      {data?.length === 0 && <p className="mt-5 text-ink-2">Nothing of batch “{batch}” was ever in stock.</p>}
      {data && data.length > 0 && (
        <p className="mt-5 text-lg">
          {counted(data.length, 'thing')} in the stock book, laid on <strong>{counted(panels.length, 'panel')}</strong>{' '}
          of <strong>{counted(new Set(panels.map(({ job }) => job)).size, 'job')}</strong>.
        </p>
      )}
      {data?.map(({ thing, on }) => (
        <section key={thing.id} aria-label={thing.id} className="mt-4 border border-line-strong bg-sheet">
          <div className="flex items-center gap-4 border-b px-4 py-2">
            <Level row={thing} />
            <div className="flex-1">
              <Link to={`/stock?thing=${thing.id}`} className="font-semibold underline">
                {thing.name}, {thing.id}
              </Link>
              <p className="text-[13.5px] text-ink-2">
                {thing.gone ? 'gone' : `${leftOf(thing)}${thing.place ? `, ${thing.place}` : ''}`}
              </p>
            </div>
          </div>
          {on.length === 0 && <p className="px-4 py-2 text-ink-2">Nothing was laid from it.</p>}
          <ul className="divide-y text-[14.5px]">
            {on.map((panel) => (
              <li key={`${panel.job}/${panel.surface}`} className="flex flex-wrap justify-between gap-x-4 px-4 py-1.5">
                <Link to={`/jobs/${panel.job}/layer?panel=${encodeURIComponent(panel.surface)}`} className="underline">
                  {panel.surfaceName}: {[panel.item ?? panel.title, panel.owner].filter(Boolean).join(', ')}
                </Link>
                <span className="text-ink-2">
                  {amountIn(thing.unit, panel.amount)}, {day(panel.first)}
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </StockPage>
  );
}

const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;
