import { nanoid } from '@reduxjs/toolkit';
import { Check, Pencil, Plus } from 'lucide-react';
import { DateTime } from 'luxon';
import { useMemo, useState } from 'react';
import { sameLayers } from '#core/choose/stacks';
import { linesOf } from '#core/choose/offers';
import { levelSays } from '#core/prepare/stages';
import { type OfferRecord, offerSchema } from '#formats/choice';
import { money } from '#formats/values';
import { choiceSurfaces } from '#job/choose';
import { changePrepare, type Edit, setAgreed, setStacks, stripFirst } from '#job/edit';
import { unreadyMatters } from '#job/prepare';
import { weekOf } from '#job/promise';
import { laidInWords, lifeInWords, type Quoted, quoted, toPlan } from '#job/offers';
import { addressOf } from '../../../app/address-of';
import { errorText, useOffersQuery } from '../../../app/api';
import { useJob } from '../../../job/job-context';
import type { JobView } from '../../../job/useJobView';
import { Button } from '../../../ui/Button';
import { PaperLink } from '../../../ui/PaperLink';
import { day, moment } from '../../../ui/moments';
import { ViewSwitch } from '../ViewSwitch';
import { OfferDialog } from './OfferDialog';

/** The shop's offers on this item, side by side for the owner: what is done, what it costs, what is promised. */
export function Offers() {
  const job = useJob('bay', 'document', 'edit', 'id', 'laid', 'prepared', 'shelf');
  const { bay, document, shelf, edit, laid } = job;
  const { data: records, error } = useOffersQuery();
  const [editing, setEditing] = useState<OfferRecord>();
  const quotes = useMemo(
    () =>
      (records ?? []).map((each) => ({
        record: each,
        quote: quoted(each.offer, { document, shelf, settings: job.prepared.settings, week: weekOf(bay) }),
      })),
    [records, bay, document, shelf, job.prepared.settings],
  );
  const { agreed } = document;
  const planned =
    ({ offer, applied, stripped }: Quoted): Edit =>
    (draft) =>
      stripFirst(stripped)(
        changePrepare({ level: offer.level })(setStacks(toPlan(applied, shelf, laid), shelf)(draft)),
      );
  const agree = (quote: Quoted) => {
    const { id, name, promised, notPromised } = quote.offer;
    const record = {
      offer: id,
      name,
      totalMoney: quote.price.totalMoney,
      at: DateTime.now().toISO(),
      ...(document.item?.ownerName && { with: document.item.ownerName }),
      promised: [...promised],
      notPromised: [...notPromised],
    };
    edit((draft) => setAgreed(record)(planned(quote)(draft)));
  };
  const lines = linesOf(
    choiceSurfaces(document).map(({ substrate, areaM2, fixed = [] }) => ({ substrate, areaM2, layers: fixed })),
  );
  const keep = () => {
    const offer = offerSchema.parse({
      id: nanoid(12),
      name: document.title,
      level: job.prepared.settings.level,
      lines,
    });
    setEditing({ id: offer.id, version: 0, offer });
  };
  return (
    <main className="h-full overflow-auto bg-paper" aria-label="Offers">
      <div className="border-b bg-sheet px-4 py-2 print:hidden">
        <ViewSwitch />
      </div>
      <div className="px-6 py-4">
        <div className="mb-3 flex items-end justify-between gap-4">
          <h2 className="figure text-2xl">What we offer for the {document.item?.name ?? document.title}</h2>
          <span className="flex gap-2 print:hidden">
            <Button onClick={keep} disabled={lines.length === 0}>
              <Plus size={16} /> Keep this job’s stacks as an offer
            </Button>
            <PaperLink href={addressOf('offersPaper', { id: job.id })}>For the owner, on one page</PaperLink>
          </span>
        </div>
        {error && (
          <p role="alert" className="mb-3 border-l-4 border-stop bg-stop-soft px-4 py-2">
            {errorText(error)}
          </p>
        )}
        {agreed && <Agreed agreed={agreed} quotes={quotes.map(({ quote }) => quote)} />}
        {records?.length === 0 && (
          <p className="max-w-prose border border-line-strong bg-sheet p-5 text-ink-2">
            No offers yet. Choose stacks for this item, then keep them as an offer: it can be laid on any item, adapted
            by the rules, with its price.
          </p>
        )}
        <ol className="grid grid-cols-1 gap-3 md:grid-cols-3 print:grid-cols-3">
          {quotes.map(({ record: own, quote }) => (
            <OfferColumn
              key={own.id}
              quote={quote}
              onAgree={() => agree(quote)}
              onPlan={() => edit(planned(quote))}
              onEdit={() => setEditing(own)}
              planned={isPlanned(job, quote)}
            />
          ))}
        </ol>
      </div>
      {editing && <OfferDialog key={editing.id} record={editing} onClose={() => setEditing(undefined)} />}
    </main>
  );
}

interface ColumnProps {
  readonly quote: Quoted;
  /** The job is planned just as the offer says. */
  readonly planned: boolean;
  readonly onAgree: () => void;
  readonly onPlan: () => void;
  readonly onEdit: () => void;
}

function OfferColumn({ quote, planned, onAgree, onPlan, onEdit }: ColumnProps) {
  const job = useJob('document', 'nameOf', 'shelf');
  const agreed = job.document.agreed?.offer === quote.offer.id;
  const { offer, applied, price } = quote;
  const readyAt = quote.readyAt();
  const { currency } = job.document;
  const { nameOf } = job;
  const adapted = applied.filter((each) => each.adapted !== undefined);
  return (
    <li
      aria-label={offer.name}
      className={`flex flex-col border bg-sheet p-4 ${agreed ? 'border-over shadow-[inset_0_3px_0_var(--over)]' : ''}`}
    >
      <div className="flex items-start justify-between gap-2">
        <h3 className="text-xl font-semibold">{offer.name}</h3>
        <Button look="quiet" className="print:hidden" aria-label={`Change ${offer.name}`} onClick={onEdit}>
          <Pencil size={15} />
        </Button>
      </div>
      <p className="text-ink-2">{offer.says}</p>
      <p className="figure mt-2 text-4xl leading-tight">{money(price.totalMoney, currency)}</p>
      <p className="text-[13.5px] text-ink-2">
        {price.hours.toFixed(1)} h of work; {offer.taxPct > 0 ? `${offer.taxPct} % tax included` : 'without tax'}
      </p>
      {readyAt !== null && (
        <p className="mt-2">
          Ready <strong>{moment(readyAt)}</strong>, if begun as planned.
        </p>
      )}
      <p className="mt-2">
        {lifeInWords(quote)} {levelSays(offer.level, quote.goneShare)}
      </p>
      <Lines title="What is laid" lines={laidInWords(quote, job.document.surfaces, job.shelf)} />
      {quote.unready.length > 0 && (
        <div className="mt-3 border-l-4 border-stop bg-stop-soft px-3 py-2 print:hidden" role="alert">
          <Lines title="Cannot be laid like this" lines={unreadyMatters(quote.unready).map(({ says }) => says)} />
          <p className="text-[13.5px]">The ways out are under Layer, before anything is laid.</p>
        </div>
      )}
      <Lines title="Promised" lines={offer.promised} />
      <Lines title="Not promised" lines={offer.notPromised} />
      {adapted.length > 0 && (
        <details className="mt-3 text-[13.5px] text-ink-2 print:hidden">
          <summary className="cursor-pointer">Adapted by the rules on {adapted.length}</summary>
          <ul>
            {adapted.map(({ id, adapted: why }) => (
              <li key={id} className="border-t py-0.5 first:border-t-0">
                {nameOf(id)}: {why}.
              </li>
            ))}
          </ul>
        </details>
      )}
      <details className="mt-2 text-[13.5px] text-ink-2 print:hidden">
        <summary className="cursor-pointer">How the price is made</summary>
        <table className="w-full">
          <tbody>
            {(
              [
                ['Material, as bought', price.materialMoney],
                [`Waste, ${offer.wastePct} %`, price.wasteMoney],
                [`Work, ${price.hours.toFixed(1)} h`, price.workMoney],
                [`Margin, ${offer.marginPct} %`, price.marginMoney],
                ['Rounding', price.roundingMoney],
                [`Tax, ${offer.taxPct} %`, price.taxMoney],
              ] as const
            ).map(([what, much]) => (
              <tr key={what} className="border-t">
                <th scope="row" className="py-0.5 text-left font-normal">
                  {what}
                </th>
                <td className="text-right">{money(much, currency)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
      <span className="flex-1" />
      {agreed ? (
        <>
          <p className="mt-3 font-semibold text-over">
            <Check size={16} className="inline" /> Agreed
          </p>
          {!planned && (
            <Button className="mt-2 whitespace-normal!" onClick={onPlan}>
              The plan has changed since: plan it as offered
            </Button>
          )}
        </>
      ) : (
        <Button look="main" className="mt-3 print:hidden" onClick={onAgree}>
          Agree {offer.name}
        </Button>
      )}
    </li>
  );
}

function Lines({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <div className="mt-3 text-[14px]">
      <h4 className="label">{title}</h4>
      <ul>
        {lines.map((line) => (
          <li key={line} className="border-t py-1 first:border-t-0">
            {line}.
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What was agreed, as it stood then, and what the same would come to today. */
function Agreed({
  agreed,
  quotes,
}: {
  readonly agreed: NonNullable<JobView['document']['agreed']>;
  readonly quotes: readonly Quoted[];
}) {
  const job = useJob('document', 'edit');
  const { currency } = job.document;
  const today = quotes.find(({ offer }) => offer.id === agreed.offer)?.price.totalMoney;
  return (
    <div
      role="status"
      className="mb-3 flex flex-wrap items-center justify-between gap-3 border-l-4 border-over bg-sheet px-4 py-2"
    >
      <p>
        <strong>
          {agreed.name} agreed{agreed.with && ` with ${agreed.with}`} on {day(agreed.at)}:{' '}
          {money(agreed.totalMoney, currency)}.
        </strong>{' '}
        {today === undefined && 'The offer itself is no longer kept.'}
        {today !== undefined && today !== agreed.totalMoney && (
          <span className="text-ink-2">Worked out today it would be {money(today, currency)}.</span>
        )}
      </p>
      <Button className="print:hidden" onClick={() => job.edit(setAgreed(undefined))}>
        Take the agreement back
      </Button>
      <details className="w-full text-[14px]">
        <summary className="cursor-pointer text-ink-2">What was promised then</summary>
        <Lines title="Promised" lines={agreed.promised ?? []} />
        <Lines title="Not promised" lines={agreed.notPromised ?? []} />
      </details>
    </div>
  );
}

/** Whether a job is planned just as an offer says, as far as nothing is laid yet. */
function isPlanned(
  { document, prepared, laid }: Pick<JobView, 'document' | 'laid' | 'prepared'>,
  { offer, applied }: Quoted,
): boolean {
  const planned = new Map(document.surfaces.map(({ id, layers }) => [id, layers]));
  const same = applied
    .filter(({ id }) => !laid.has(id))
    .every(({ id, layers }) => sameLayers(layers, planned.get(id) ?? []));
  return same && prepared.settings.level === offer.level && applied.some(({ layers }) => layers.length > 0);
}
