import { nanoid } from '@reduxjs/toolkit';
import { CircleCheck, FileCode2, FileText, Globe } from 'lucide-react';
import { Suspense, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { checkNet, checkView, stillToCheck } from '#job/check';
import { agreedAndDone, type AgreedPanel, type AgreedState } from '#job/handover';
import { isAircraft } from '#job/plan';
import { addressOf } from '../../app/address-of';
import { Part, Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { useIsHelper, useMe } from '../../people/api';
import { Button } from '../../ui/Button';
import { Fault } from '../../ui/Fault';
import { Segmented } from '../../ui/Segmented';
import { TextField } from '../../ui/TextField';
import { day, moment } from '../../ui/moments';
import { later } from '../../ui/later';
import { useTap } from '../../bay/useTap';
import { Signed, SignHere } from './SignHere';
import { LicensedEngineer } from './LicensedEngineer';
import { CareIntervals, Warranty } from './Warranty';
import { useHandoversQuery, useHandOverMutation, useNameShopMutation, useShopQuery } from '../../app/api';

const GuestLinks = later(() => import('../../job/GuestLinks'));

const STATE_WORDS: Readonly<Record<AgreedState, string>> = {
  lacking: 'Not done',
  'in-part': 'In part',
  'left-out': 'Left out',
  excluded: 'Not in this job',
  done: 'Done',
  bare: 'Stays bare',
};
const FILLS = {
  lacking: 'warn',
  'in-part': 'flash',
  'left-out': 'hatch',
  excluded: 'hatch',
  done: 'tint-3',
  bare: 'blank',
} as const satisfies Record<AgreedState, PanelPaint['fill']>;
const LEGEND: readonly LegendEntry[] = [
  { fill: 'tint-3', text: '✓ As agreed' },
  { fill: 'flash', text: 'In part' },
  { fill: 'hatch', text: 'Left out, with its reason' },
  { fill: 'warn', text: 'Not done' },
  { fill: 'blank', text: 'Stays bare' },
];

/** Agreed beside done, what goes with the item, and the owner’s signature under both. */
export function Component() {
  const job = useJob('document', 'record', 'standing');
  const { document, record, standing } = job;
  const panels = useMemo(() => agreedAndDone(document, record, standing), [document, record, standing]);
  const lens = useMemo(() => {
    const states = new Map(panels.map(({ surface, state }) => [surface, state]));
    return (id: string): PanelPaint => {
      const state = states.get(id) ?? 'bare';
      return { fill: FILLS[state], sign: state === 'done' ? 'done' : undefined };
    };
  }, [panels]);
  return (
    <Station lens={lens} legend={LEGEND} lensName="agreed beside done">
      <Agreed panels={panels} />
      <Warranty />
      <CareIntervals />
      {isAircraft(document) && <LicensedEngineer />}
      <Papers />
      <Sign isWhole={isWhole(panels)} />
    </Station>
  );
}

/** All that was to be applied is, and something was. */
const isWhole = (panels: readonly AgreedPanel[]): boolean =>
  panels.some(({ state }) => state === 'done') &&
  panels.every(({ state }) => state !== 'lacking' && state !== 'in-part');

function Agreed({ panels }: { readonly panels: readonly AgreedPanel[] }) {
  const { chosen, choose } = useJob('choose', 'chosen');
  const one = panels.find(({ surface }) => surface === chosen?.id);
  const count = (state: AgreedState) => panels.filter((panel) => panel.state === state).length;
  const open = panels.filter(({ state }) => state !== 'done' && state !== 'bare');
  const reminders = panels.filter(({ followUp }) => followUp !== undefined);
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4" aria-label="Agreed and done">
        <h2 className="figure text-2xl">
          {open.length === 0
            ? count('done') === 0
              ? 'Nothing to apply was agreed'
              : 'All of it as agreed'
            : `${count('done')} as agreed, ${open.length} ${open.length === 1 ? 'is' : 'are'} not`}
        </h2>
        {one && (
          <div className="mt-2 border-l-4 border-over pl-3">
            <p>
              <strong>{one.name}</strong>: {STATE_WORDS[one.state].toLowerCase()}
            </p>
            {one.agreed !== '' && <p className="text-ink-2">agreed: {one.agreed}</p>}
            {one.done !== '' && <p className="text-ink-2">lies on it: {one.done}</p>}
            {one.why && <p className="text-ink-2">{one.why}</p>}
            {one.marks > 0 && (
              <p className="text-ink-2">
                {one.marks} {one.marks === 1 ? 'mark stays' : 'marks stay'} or may come back
              </p>
            )}
          </div>
        )}
        {open.length > 0 && (
          <ul className="mt-2" aria-label="Not as agreed">
            {open.map(({ surface, name, state, why }) => (
              <li key={surface} className="border-t py-1 first:border-t-0">
                <button type="button" className="w-full text-left hover:underline" onClick={() => choose(surface)}>
                  <strong>{name}</strong>: {STATE_WORDS[state].toLowerCase()}
                  {why ? `, ${why.toLowerCase()}` : ''}
                </button>
              </li>
            ))}
          </ul>
        )}
      </section>
      {reminders.length > 0 && (
        <Part title="To be thought of again">
          <ul>
            {reminders.map(({ surface, name, followUp }) => (
              <li key={surface} className="border-t py-1 first:border-t-0">
                {followUp!.on && <strong>{day(followUp!.on)} · </strong>}
                {name}: {followUp!.what}
              </li>
            ))}
          </ul>
        </Part>
      )}
    </>
  );
}

const PAPER = 'inline-flex min-h-11 items-center gap-2 rounded border border-line-strong bg-sheet px-3 hover:bg-tint-1';

function Papers() {
  const job = useJob('at', 'id', 'record');
  const { id, record } = job;
  const { tap, settling } = useTap(id);
  const me = useMe();
  const { data: shop } = useShopQuery();
  const [nameShop, { error }] = useNameShopMutation();
  const consent = record.consents.at(-1);
  return (
    <Part title="What goes with it">
      <p className="mb-2 text-ink-2">
        Its passport: what lies on each panel, what to mind and when, its warranty, how it comes off. Any other shop can
        read it.
      </p>
      <div className="flex flex-wrap gap-2">
        <a className={PAPER} href={addressOf('passportPage', { id })} target="_blank" rel="noreferrer">
          <Globe size={18} /> As a page
        </a>
        <a className={PAPER} href={addressOf('passportPaper', { id })} target="_blank" rel="noreferrer">
          <FileText size={18} /> On paper
        </a>
        <a className={PAPER} href={addressOf('passportFile', { id })} download>
          <FileCode2 size={18} /> Signed file
        </a>
        <a className={PAPER} href={addressOf('jobCalendar', { id })} download>
          Dates
        </a>
      </div>
      <div className="mt-3">
        <p className="label mb-1">Pictures of it may be shown</p>
        <Segmented
          label="Pictures of it may be shown"
          value={consent?.pictures}
          options={[
            ['shown', 'The owner agrees'],
            ['withheld', 'No'],
          ]}
          onChange={(pictures) => pictures && !settling && tap({ type: 'consent', pictures })}
        />
        <p className="mt-1 text-[14px] text-ink-2">
          {consent
            ? `Said ${moment(job.at(consent.atMin))}. Withdrawn at any time: the page then leaves them out.`
            : 'Not asked yet: none is shown.'}
        </p>
      </div>
      {(me?.accounts === false || me?.rights.includes('own')) && shop && (
        <div className="mt-3">
          <TextField
            label="The workshop on its papers"
            value={shop.name}
            onChange={(name) => void nameShop({ body: { name } })}
          />
          <p className="mt-1 text-[14px] text-ink-2">
            Code of the key that signs its passports: <strong className="font-mono">{shop.fingerprint}</strong>. Read it
            out to a workshop that asks.
          </p>
          <Fault error={error} />
        </div>
      )}
      <details className="mt-3">
        <summary className="font-semibold">A code for the owner’s phone</summary>
        <div className="mt-2">
          <Suspense fallback={null}>
            <GuestLinks job={id} />
          </Suspense>
        </div>
      </details>
    </Part>
  );
}

function Sign({ isWhole }: { readonly isWhole: boolean }) {
  const { id, document, record, sheet, planned, laid, byOf } = useJob(
    'byOf',
    'document',
    'id',
    'laid',
    'planned',
    'record',
    'sheet',
  );
  const isHelper = useIsHelper();
  const { data: handovers = [] } = useHandoversQuery({ id });
  const [handOver, { error, isLoading }] = useHandOverMutation();
  const [name, setName] = useState(document.item?.ownerName ?? '');
  const [strokes, setStrokes] = useState<number[][]>([]);
  const [again, setAgain] = useState(false);
  const open = useMemo(() => {
    const progress = checkView(checkNet(document, laid), planned, record, sheet, { byOf, isHelper });
    return stillToCheck(document, record, sheet, progress);
  }, [document, laid, planned, record, sheet, byOf, isHelper]);
  const last = handovers.at(-1);
  if (last && !again)
    return (
      <Part title="Handed over">
        <p className="mb-2 flex items-center gap-3 text-lg">
          <CircleCheck size={28} className="shrink-0 text-ok" aria-hidden />
          <span>
            <strong>{moment(last.at)}</strong>, signed by {last.signedBy}. The passport stands as it was signed.
          </span>
        </p>
        <Signed strokes={last.strokes} by={last.signedBy} />
        <Button look="quiet" className="mt-2" onClick={() => setAgain(true)}>
          Hand over again: it came back
        </Button>
      </Part>
    );
  return (
    <Part title="Signed">
      {open.length > 0 && (
        <div role="note" className="mb-3 border-l-4 border-warn bg-warn-soft px-3 py-2">
          <p>
            {isWhole ? 'It is laid, but ' : ''}
            <Link className="underline" to={`/jobs/${id}/check`}>
              Check
            </Link>{' '}
            is not closed yet. The passport says so if it is signed now:
          </p>
          <ul className="mt-1 list-disc pl-5 text-[14px]">
            {open.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      )}
      <TextField label="Who signs" value={name} onChange={setName} />
      <div className="mt-2">
        <SignHere onSigned={setStrokes} />
      </div>
      <Button
        look="main"
        glove
        className="mt-2 w-full text-xl"
        disabled={strokes.length === 0 || name.trim() === '' || isLoading}
        onClick={() =>
          void handOver({ id, body: { id: nanoid(12), signedBy: name.trim(), strokes } })
            .unwrap()
            .then(
              () => setAgain(false),
              () => undefined,
            )
        }
      >
        Hand it over
      </Button>
      <Fault error={error} />
    </Part>
  );
}
