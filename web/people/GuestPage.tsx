import { addressOf } from '../app/address-of';
import { errorText } from '../app/api';
import { day, moment } from '../ui/moments';
import { useGuestJobQuery } from './api';
import { PageTitle } from '../ui/PageTitle';

const PHASE_WORDS = {
  survey: 'It is looked over.',
  planned: 'It is planned.',
  running: 'It is being worked on.',
  curing: 'It is curing: keep water and hands away.',
  ready: 'It can be fetched.',
  'in-care': 'It is out, and looked after.',
} as const;
const STATE_WORDS = { planned: 'to come', begun: 'begun', laid: 'laid' } as const;
const MINUTE_MS = 60_000;

/** One job as its owner sees it: how far it is, what lies where, and the dates. Nothing here can be changed. */
export function GuestPage({ job }: { readonly job: string }) {
  const { data, error } = useGuestJobQuery({ id: job }, { pollingInterval: MINUTE_MS });
  if (error)
    return (
      <p role="alert" className="m-6 border-l-4 border-stop bg-stop-soft px-4 py-3">
        {errorText(error)}
      </p>
    );
  if (!data) return <p className="p-10 text-ink-2">Opening …</p>;
  const { title, itemName, phase, patchesDone, patchesTotal, panels, dates } = data;
  return (
    <main className="mx-auto max-w-2xl px-6 py-8">
      <p className="label">{itemName ?? 'Your item'}</p>
      <PageTitle>{title}</PageTitle>
      <h1 className="figure text-3xl">{title}</h1>
      <p className="mt-3 text-2xl font-semibold">{PHASE_WORDS[phase]}</p>
      {phase === 'running' && patchesTotal > 0 && (
        <>
          <div className="mt-3 h-3 border border-line-strong" aria-hidden>
            <div className="h-full bg-over" style={{ width: `${(100 * patchesDone) / patchesTotal}%` }} />
          </div>
          <p className="mt-1 text-ink-2">
            {patchesDone} of {patchesTotal} sections laid
          </p>
        </>
      )}
      <h2 className="label mt-8">Dates</h2>
      <ul className="mt-1 divide-y border-y bg-sheet">
        {dates.map(({ title: what, from, allDay, says }) => (
          <li key={`${what}${from}`} className="flex flex-wrap justify-between gap-x-6 px-4 py-2.5">
            <span>
              <strong>{what}</strong>
              {says && <span className="block text-[14px] text-ink-2">{says}</span>}
            </span>
            <span className="figure">{allDay ? day(from) : moment(from)}</span>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        <a className="text-over underline" href={addressOf('jobCalendar', { id: job })}>
          Put them in your calendar
        </a>
      </p>
      <p className="mt-2">
        <a className="text-over underline" href={addressOf('passportPage', { id: job })} download={`${job}.html`}>
          Keep its passport on this phone: one page that needs no network
        </a>
      </p>
      <h2 className="label mt-8">What lies where</h2>
      <ul className="mt-1 divide-y border-y bg-sheet">
        {panels.map(({ id, name, layers }) => (
          <li key={id} className="px-4 py-2.5">
            <strong>{name}</strong>
            <ul>
              {layers.map(({ product, state }, index) => (
                <li key={index} className="flex justify-between gap-4 text-[15px]">
                  <span>{product}</span>
                  <span className={state === 'laid' ? 'font-semibold' : 'text-ink-2'}>{STATE_WORDS[state]}</span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </main>
  );
}
