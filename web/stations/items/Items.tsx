import { useDeferredValue, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { errorText, useItemsQuery } from '../../app/api';
import { EarlierLater } from '../../ui/EarlierLater';
import { Segmented } from '../../ui/Segmented';
import { CareList } from './CareList';
import { TakePassport } from './TakePassport';
import { day } from '../../ui/moments';
import { PageTitle } from '../../ui/PageTitle';

/** Rows the server tells at once. */
const PAGE = 50;

/** The items of the workshop: all it has had, or what is out and due for something. */
export function Component() {
  const [params, setParams] = useSearchParams();
  const view = params.get('view') === 'care' ? 'care' : 'all';
  return (
    <main className="mx-auto max-w-4xl px-6 py-6">
      <div className="mb-4 flex items-end gap-4">
        <PageTitle>Items</PageTitle>
        <h1 className="figure flex-1 text-3xl">Items</h1>
        <TakePassport />
      </div>
      <Segmented
        label="Which items"
        value={view}
        options={[
          ['all', 'All of them'],
          ['care', 'Due in care'],
        ]}
        onChange={(next) => setParams(next === 'care' ? { view: 'care' } : {}, { replace: true })}
      />
      {view === 'care' ? <CareList /> : <AllItems />}
    </main>
  );
}

/** Every item the workshop has had; looked for by what it is, whose, and what was laid, used and found on it. */
function AllItems() {
  const [wanted, setWanted] = useState('');
  const [from, setFrom] = useState(0);
  const find = useDeferredValue(wanted.trim());
  const { data, error } = useItemsQuery({ find, from });
  const shown = data?.rows;
  return (
    <>
      <div className="mt-4 flex justify-end">
        <div className="w-96">
          <label htmlFor="wanted" className="label block">
            Item, owner, plate, colour, product, batch or fault
          </label>
          <input
            id="wanted"
            type="search"
            className="field"
            value={wanted}
            onChange={({ target }) => {
              setWanted(target.value);
              setFrom(0);
            }}
          />
        </div>
      </div>
      {error && (
        <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
          {errorText(error)}
        </p>
      )}
      {find === '' && data?.found === 0 && (
        <p className="mt-8 max-w-prose text-ink-2">
          No item has been here yet. Each new job makes one; when it comes back next year, all that was laid, measured
          and seen is found here under its name.{' '}
          <Link to="/new" className="text-over underline">
            Start the first job
          </Link>
        </p>
      )}
      {shown && shown.length > 0 && (
        <table className="mt-6 w-full border-y border-line-strong bg-sheet">
          <thead className="label text-left">
            <tr>
              <th scope="col" className="px-4 py-2 font-normal">
                Item
              </th>
              <th scope="col" className="font-normal">
                Owner
              </th>
              <th scope="col" className="text-right font-normal">
                Visits
              </th>
              <th scope="col" className="px-4 text-right font-normal">
                Last here
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map(({ id, name, ownerName, visits, lastAt }) => (
              <tr key={id} className="border-t">
                <th scope="row" className="px-4 py-2.5 text-left">
                  <Link to={`/items/${id}`} className="font-semibold hover:text-over hover:underline">
                    {name}
                  </Link>
                </th>
                <td>{ownerName ?? ''}</td>
                <td className="text-right">{visits}</td>
                <td className="px-4 text-right">{day(lastAt)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {find !== '' && data?.found === 0 && (
        <p className="mt-6 text-ink-2">None is called that, no owner, and nothing laid or found on one.</p>
      )}
      {data && data.found > data.rows.length && (
        <EarlierLater
          onLater={from > 0 ? () => setFrom(Math.max(0, from - PAGE)) : undefined}
          onEarlier={from + data.rows.length < data.found ? () => setFrom(from + PAGE) : undefined}
        >
          <span className="text-ink-2">
            {from + 1} to {from + data.rows.length} of {data.found}
          </span>
        </EarlierLater>
      )}
    </>
  );
}
