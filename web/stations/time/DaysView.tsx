import { useState } from 'react';
import { CalendarDays } from 'lucide-react';
import { begins, type DayBlock, ends } from '#core/schedule/days';
import { LOST_WHYS, type LostWhy } from '#formats/job';
import { asAgreed, type DaysView as Days, halfDays, USUAL_HANDOVER_MIN } from '#job/days';
import { changeDays, changePrepare } from '#job/edit';
import { countsFrom, weekOf } from '#job/promise';
import { addressOf } from '../../app/address-of';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { FactTable } from '../../ui/FactTable';
import { NumberField } from '../../ui/NumberField';
import { SelectField } from '../../ui/SelectField';
import { hours } from '../../ui/hours';
import { moment, nowInstant, span } from '../../ui/moments';
import { blockName, changesInWords, LOST_WORDS } from '../../hours/day-words';
import { ReadyDate } from '../../hours/ReadyDate';
import { OtherStretch } from '../../hours/OtherStretch';
import { DayStrips } from './DayStrips';
import { TimeSwitch } from './TimeSwitch';
import { UntilHours } from './UntilHours';

/** So many half days can be struck out with one tap. */
const HALF_DAYS = 4;

/** The job's days: from the first foam to the key in the owner's hand, in the hours there are. */
export function DaysView() {
  const job = useJob('days', 'document', 'edit', 'id', 'nowMin', 'record');
  const { document, days, record, nowMin } = job;
  const fromMin = Math.floor(countsFrom(record, nowMin));
  return (
    <main className="grid h-full min-h-0 grid-cols-1 grid-rows-[minmax(18rem,1fr)_minmax(0,1fr)] lg:grid-cols-[1fr_25rem] lg:grid-rows-1">
      <div className="flex min-h-0 min-w-0 flex-col bg-sheet">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b px-4 py-2">
          <TimeSwitch />
          {days.blocks.length > 0 && <ReadyDate />}
        </div>
        {days.blocks.length === 0 ? (
          <p className="p-6 text-ink-2">
            Nothing is left to be done here. What is planned under Prepare and Layer stands in its days.
          </p>
        ) : (
          <div className="min-h-0 flex-1 overflow-auto" role="region" aria-label="Days of the job" tabIndex={0}>
            <DayStrips days={days} />
            <InOrder blocks={days.blocks} />
          </div>
        )}
      </div>
      <aside aria-label="Until it is fetched" className="min-h-0 overflow-auto border-l border-line-strong bg-paper">
        <Changes days={days} />
        {days.until && <UntilHours until={days.until} />}
        {days.wipedOverNight && !document.prepare?.overnight && <OverNight />}
        <Lost fromMin={fromMin} />
        <Part title="Hand-over">
          <Collection />
          <NumberField
            optional
            label="Explaining it to its owner"
            unit="min"
            hint={`empty: ${USUAL_HANDOVER_MIN}`}
            value={document.days?.handoverMin}
            check={(value) => (value >= 0 && value <= 480 ? undefined : '0 to 480 min')}
            onChange={(handoverMin) => job.edit(changeDays({ handoverMin }))}
          />
          <p className="mt-3">
            <a
              className="inline-flex min-h-9.5 items-center gap-2 rounded border border-line-strong bg-sheet px-3.5 hover:bg-tint-1"
              href={addressOf('jobCalendar', { id: job.id })}
              download
            >
              <CalendarDays size={16} /> Dates for the owner’s calendar
            </a>
          </p>
        </Part>
      </aside>
    </main>
  );
}

function InOrder({ blocks }: { readonly blocks: readonly DayBlock[] }) {
  const job = useJob('at', 'productName');

  return (
    <section aria-label="In order" className="px-4 pb-4">
      <FactTable
        columns={['What', 'From', 'Until', 'Work']}
        rows={blocks.map((block) => ({
          key: block.key,
          name: blockName(block.key, job),
          cells: [
            moment(job.at(begins(block))),
            moment(job.at(ends(block))),
            block.personMin > 0 ? hours(block.personMin) : `${span(ends(block) - begins(block))} by itself`,
          ],
        }))}
      />
    </section>
  );
}

/** When it is collected as the calendar was saved: until it is released, it is not ready before. */
function Collection() {
  const job = useJob('document', 'edit');
  const collection = job.document.days?.collection;
  if (!collection) return null;
  return (
    <div className="mb-3 flex items-center justify-between gap-2 border-b pb-2">
      <span>
        Collection saved in the calendar: <strong>{moment(collection)}</strong>
      </span>
      <Button look="quiet" onClick={() => job.edit(changeDays({ collection: undefined }))}>
        Release it
      </Button>
    </div>
  );
}

/** What was told to somebody, and what is otherwise now. */
function Changes({ days }: { readonly days: Days }) {
  const job = useJob('at', 'document', 'edit', 'productName');
  const agreed = job.document.days?.agreed;
  const keep = () => job.edit(changeDays({ agreed: asAgreed(job.document, days, nowInstant()) }));
  if (days.blocks.length === 0) return null;
  if (!agreed) {
    return (
      <Part title="What was agreed">
        <p className="text-ink-2">Nothing yet. Once it is, whatever moves is told here at once.</p>
        <div className="mt-2">
          <Button onClick={keep}>This is agreed</Button>
        </div>
      </Part>
    );
  }
  const { changes, spareMin } = days;
  const ready = agreed.blocks.find(({ key }) => key === 'hand-over')?.from;
  const holds = spareMin === undefined || spareMin >= 0;
  return (
    <Part title="What was agreed">
      <p>
        {ready ? (
          <>
            Ready <strong>{moment(ready)}</strong>, as agreed {moment(agreed.at)}.
          </>
        ) : (
          <>Agreed {moment(agreed.at)}, without an end.</>
        )}
      </p>
      {changes.length === 0 ? (
        <p className="mt-2 border-l-4 border-ok bg-ok-soft px-3 py-2">✓ It stands as agreed.</p>
      ) : (
        <div
          role="status"
          className={`mt-2 border-l-4 px-3 py-2 ${holds ? 'border-warn bg-warn-soft' : 'border-stop bg-stop-soft'}`}
        >
          <p className="font-semibold">
            {spareMin === undefined
              ? '! Something moved.'
              : holds
                ? '! Something moved; the promise still holds.'
                : `✕ The promise no longer holds: ${span(-spareMin)} too late. Tell the owner today.`}
          </p>
          <ul className="mt-1 text-[14px]">
            {changesInWords(changes, job).map((sentence) => (
              <li key={sentence} className="py-0.5">
                {sentence}
              </li>
            ))}
          </ul>
          <div className="mt-2">
            <Button onClick={keep}>Agreed anew</Button>
          </div>
        </div>
      )}
    </Part>
  );
}

/** Time that is lost: half a day in one tap, or from one moment to another. */
function Lost({ fromMin }: { readonly fromMin: number }) {
  const job = useJob('at', 'bay', 'document', 'edit', 'nowMin');
  const [why, setWhy] = useState<LostWhy>('power');
  const lost = job.document.days?.lost ?? [];
  const { startAt } = job.document;
  const halves = halfDays(weekOf(job.bay), startAt, Math.max(fromMin, job.nowMin), HALF_DAYS);
  return (
    <Part title="Time lost">
      {lost.length > 0 && (
        <ul className="mb-3">
          {lost.map((stretch, index) => (
            <li key={`${stretch.from} ${stretch.to}`} className="flex items-center justify-between gap-2 border-b py-1">
              <span>
                {moment(stretch.from)} to {moment(stretch.to)}: {LOST_WORDS[stretch.why].toLowerCase()}
              </span>
              {stretch.calendar === undefined ? (
                <Button
                  look="quiet"
                  onClick={() => job.edit(changeDays({ lost: lost.filter((_, other) => other !== index) }))}
                >
                  Unblock
                </Button>
              ) : (
                <span className="text-[13px] text-ink-2">its bay, in the calendar</span>
              )}
            </li>
          ))}
        </ul>
      )}
      <SelectField
        label="Why"
        value={why}
        options={LOST_WHYS.map((id) => [id, LOST_WORDS[id]] as const)}
        onChange={setWhy}
      />
      <div className="mt-2 flex flex-wrap gap-2">
        {halves.map(([opens, closes]) => (
          <Button
            key={opens}
            onClick={() => job.edit(changeDays({ lost: [...lost, { from: job.at(opens), to: job.at(closes), why }] }))}
          >
            {moment(job.at(opens))} to {job.at(closes).slice(11, 16)}
          </Button>
        ))}
      </div>
      <OtherStretch
        startAt={startAt}
        fromMin={Math.max(fromMin, job.nowMin)}
        at={job.at}
        onBlock={(from, to) => job.edit(changeDays({ lost: [...lost, { from, to, why }] }))}
      />
      <p className="mt-2 text-[14px] text-ink-2">
        What is still to come is planned around it at once.
        {why === 'power' && ' Without power the bay cools, and what is laid cures more slowly.'}
      </p>
    </Part>
  );
}

/** What was wiped in the evening is dusty in the morning. */
function OverNight() {
  const job = useJob('edit');

  return (
    <Part title="A night after the last wipe">
      <p>
        It stands over night between the last wipe and the first coat, and gathers dust: wipe it again before laying.
      </p>
      <div className="mt-2">
        <Button onClick={() => job.edit(changePrepare({ overnight: true }))}>Plan that wipe</Button>
      </div>
    </Part>
  );
}
