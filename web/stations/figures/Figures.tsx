import { useMemo, useState } from 'react';
import { DEFAULT_GROUPS } from '#core/defaults';
import { formatNumber } from '../../ui/numbers';
import { PageTitle } from '../../ui/PageTitle';

/** Where figures come from: every default with its reason, and what takes its place. */
export function Component() {
  const [wanted, setWanted] = useState('');
  const groups = useMemo(() => {
    const looked = wanted.trim().toLowerCase();
    return DEFAULT_GROUPS.map((group) => ({
      ...group,
      defaults: group.defaults.filter(({ name }) => `${group.name} ${name}`.toLowerCase().includes(looked)),
    })).filter(({ defaults }) => defaults.length > 0);
  }, [wanted]);
  return (
    <main className="mx-auto max-w-5xl px-6 py-6">
      <div className="flex flex-wrap items-end gap-4">
        <PageTitle>Where figures come from</PageTitle>
        <h1 className="figure flex-1 text-3xl">Where figures come from</h1>
        <input
          type="search"
          aria-label="Find a figure"
          placeholder="Find a figure"
          className="field w-56"
          value={wanted}
          onChange={({ target }) => setWanted(target.value)}
        />
      </div>
      <p className="mt-2 max-w-prose text-ink-2">
        What is computed with where no data sheet, measurement or setting says otherwise. Each is the figure the models
        really use, in metric units at the reference conditions.
      </p>
      {groups.length === 0 && <p className="mt-6 text-ink-2">No figure is called that.</p>}
      {groups.map(({ name, why, overriddenBy, defaults }) => (
        <section
          key={name}
          aria-label={name}
          className="mt-7 grid gap-x-8 gap-y-2 border-t pt-4 md:grid-cols-[18rem_1fr]"
        >
          <div>
            <h2 className="text-[17px] font-semibold">{name}</h2>
            <p className="mt-1 text-[14px] text-ink-2">{why}</p>
            <p className="mt-2 text-[14px]">
              <span className="text-ink-3">In its place:</span> {overriddenBy}.
            </p>
          </div>
          <dl className="columns-1 gap-8 sm:columns-2">
            {defaults.map((each) => (
              <div key={each.name} className="flex break-inside-avoid justify-between gap-3 border-b py-1 text-[14px]">
                <dt className="text-ink-2">{each.name}</dt>
                <dd className="figure shrink-0">
                  {formatNumber(each.value)} {each.unit}
                </dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </main>
  );
}
