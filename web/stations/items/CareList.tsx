import { CalendarDays, Contact } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { CARE_WORDS } from '#formats/calendar';
import { addressOf } from '../../app/address-of';
import { errorText, useCareDueQuery } from '../../app/api';
import { EarlierLater } from '../../ui/EarlierLater';
import { day } from '../../ui/moments';
import { useNow } from '../../ui/useNow';

/** Rows the server tells at once. */
const PAGE = 50;
const FILE = 'inline-flex min-h-10 items-center gap-2 rounded border border-line-strong bg-sheet px-3 hover:bg-tint-1';

/** What is out, and what each is due for: whom to ring of what, and when. Nothing is sent by itself. */
export function CareList() {
  const [from, setFrom] = useState(0);
  const { data, error } = useCareDueQuery({ from });
  const now = useNow(60_000);
  if (error)
    return (
      <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
        {errorText(error)}
      </p>
    );
  if (!data) return null;
  if (data.found === 0)
    return (
      <p className="mt-8 max-w-prose text-ink-2">
        Nothing is out yet. What has been laid and may be fetched stands here with its first wash, its yearly look and
        its renewal.
      </p>
    );
  return (
    <>
      <div className="mt-5 flex gap-2">
        <a className={FILE} href={addressOf('careCalendar')} download>
          <CalendarDays size={18} /> Into a calendar
        </a>
        <a className={FILE} href={addressOf('careCsv')} download>
          <Contact size={18} /> Whom to tell, as a table
        </a>
      </div>
      <table className="mt-4 w-full border-y border-line-strong bg-sheet" aria-label="Due in care">
        <thead className="label text-left">
          <tr>
            <th scope="col" className="px-4 py-2 font-normal">
              Item
            </th>
            <th scope="col" className="font-normal">
              Owner
            </th>
            <th scope="col" className="font-normal">
              Next
            </th>
            <th scope="col" className="px-4 font-normal">
              Then
            </th>
            <th scope="col" className="pr-4 font-normal">
              Gentle wash
            </th>
          </tr>
        </thead>
        <tbody>
          {data.rows.map(({ jobId, itemName, ownerName, due }) => {
            const wash = due.find(({ what }) => what === 'wash');
            const [next, ...then] = due.filter((each) => each !== wash);
            const late = next !== undefined && Date.parse(next.at) < now;
            return (
              <tr key={jobId} className="border-t align-top">
                <th scope="row" className="px-4 py-2.5 text-left">
                  <Link to={`/jobs/${jobId}/care`} className="font-semibold hover:text-over hover:underline">
                    {itemName}
                  </Link>
                </th>
                <td className="py-2.5">{ownerName ?? ''}</td>
                <td className={`py-2.5 ${late ? 'font-semibold text-warn' : ''}`}>
                  {next ? `${says(next)}, ${day(next.at)}` : 'nothing'}
                </td>
                <td className="px-4 py-2.5 text-[14px] text-ink-2">
                  {then.map((each) => `${says(each)} ${day(each.at)}`).join(' · ')}
                </td>
                <td className="py-2.5 pr-4 text-[14px] whitespace-nowrap text-ink-2">{wash ? day(wash.at) : ''}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {data.found > data.rows.length && (
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

const says = ({ what, says: more }: { readonly what: keyof typeof CARE_WORDS; readonly says?: string | undefined }) =>
  more ?? CARE_WORDS[what];
