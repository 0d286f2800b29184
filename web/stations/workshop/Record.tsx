import { useState } from 'react';
import { Link } from 'react-router';
import type { AuditEntry } from '#formats/people';
import { useAuditQuery, usePeopleQuery } from '../../people/api';
import { EarlierLater } from '../../ui/EarlierLater';
import { moment } from '../../ui/moments';
import { SelectField } from '../../ui/SelectField';
import { WorkshopPage } from './WorkshopPage';

const EVERYBODY = '';

/** Who did what, the last first: what was changed, what was laid, what moved in stock. */
export function Component() {
  const { data: people = [] } = usePeopleQuery();
  const [person, setPerson] = useState(EVERYBODY);
  /** Where each page that was opened begins. */
  const [pages, setPages] = useState<readonly (string | undefined)[]>([undefined]);
  const from = pages.at(-1);
  const { data, error, isFetching } = useAuditQuery({ from, person: person || undefined });
  return (
    <WorkshopPage error={error}>
      <div className="mt-4 max-w-xs">
        <SelectField
          label="Done by"
          value={person}
          options={[[EVERYBODY, 'Everybody'], ...people.map(({ id, name }): [string, string] => [id, name])]}
          onChange={(chosen) => {
            setPerson(chosen);
            setPages([undefined]);
          }}
        />
      </div>
      <table className="mt-3 w-full table-fixed bg-sheet text-[14.5px]" aria-busy={isFetching}>
        <thead>
          <tr className="label border-y text-left">
            <th scope="col" className="w-44 px-4 py-1.5 font-normal">
              When
            </th>
            <th scope="col" className="w-48 px-3 py-1.5 font-normal">
              Who, where
            </th>
            <th scope="col" className="px-3 py-1.5 font-normal">
              What
            </th>
          </tr>
        </thead>
        <tbody>
          {data?.entries.map((entry, index) => (
            <tr key={index} className="border-b align-top">
              <td className="px-4 py-2">{moment(entry.at)}</td>
              <td className="px-3 py-2 break-words">
                {entry.by ?? <span className="text-ink-3">nobody was signed in</span>}
                {entry.tablet && <span className="block text-[13px] text-ink-2">{entry.tablet}</span>}
              </td>
              <td className="px-3 py-2 break-words">
                {entry.what} <Of of={entry.of} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {data?.entries.length === 0 && <p className="mt-4 text-ink-2">Nothing yet.</p>}
      <EarlierLater
        onLater={pages.length > 1 ? () => setPages(pages.slice(0, -1)) : undefined}
        onEarlier={data?.next ? () => setPages([...pages, data.next!]) : undefined}
      />
    </WorkshopPage>
  );
}

/** What it was done to, and the way there. */
function Of({ of }: Pick<AuditEntry, 'of'>) {
  if (!of) return null;
  const to = { job: `/jobs/${of.id}`, product: `/shelf/${of.id}`, bay: '/bays', thing: `/stock?thing=${of.id}` }[
    of.kind
  ];
  return to === undefined ? (
    <strong>{of.title}</strong>
  ) : (
    <Link to={to} className="font-semibold underline">
      {of.title}
    </Link>
  );
}
