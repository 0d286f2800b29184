import { useMemo, useState } from 'react';
import type { AheadSchool } from '#core/plan/job';
import { AHEAD_SCHOOLS, aheadOf } from '#core/plan/job';
import { patchKey } from '#core/lay/run';
import { wantedBy } from '#formats/job';
import { readyIf } from '#job/days';
import { changeDocument } from '#job/edit';
import { addressOf } from '../../app/address-of';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { PaperLink } from '../../ui/PaperLink';
import { moment, span } from '../../ui/moments';
import { percent } from '../../ui/numbers';
import type { SchoolRehearsed } from './rehearsal.worker';
import { MovedByHand } from './MovedByHand';
import { SheetLanes } from './SheetLanes';
import { TimeSwitch } from './TimeSwitch';
import { DAYS, type Rehearsal, useRehearsal } from './useRehearsal';

const SCHOOL_NAMES: Readonly<Record<AheadSchool, string>> = {
  safe: 'For safety: back as soon as it opens',
  quick: 'For time: on until one more would be late',
};
/** So many of the riskiest patches are named, and from what share of days on. */
const MOST_NAMED = 6;
const WORTH_NAMING = 0.01;

/** The whole laying before it is done: who does what when, and how it goes on a thousand days. */
export function SheetView() {
  const job = useJob('bay', 'begun', 'document', 'edit', 'id', 'layFromMin', 'planned', 'prepared', 'record', 'sheet');
  const { sheet, document } = job;
  const rehearsal = useRehearsal(job, AHEAD_SCHOOLS);
  const { found } = rehearsal;
  const school = aheadOf(document.crew);
  const own = found?.schools.find((each) => each.school === school);
  const late = useMemo(
    () => new Map(own?.patches.map((patch, index) => [patchKey(patch), own.rehearsed.late[index]!])),
    [own],
  );
  const [hours, setHours] = useState<'all' | '2' | '1'>('all');
  return (
    <main className="grid h-full min-h-0 grid-cols-1 grid-rows-[minmax(18rem,1fr)_minmax(0,1fr)] lg:grid-cols-[1fr_25rem] lg:grid-rows-1">
      <div className="flex min-h-0 min-w-0 flex-col bg-sheet">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b px-4 py-2">
          <TimeSwitch />
          {sheet.out.actions.length > 0 && (
            <PaperLink href={addressOf('runSheetPaper', { id: job.id })}>To hang up in the bay</PaperLink>
          )}
        </div>
        {sheet.out.actions.length === 0 ? (
          <p className="p-6 text-ink-2">Nothing is left to be laid.</p>
        ) : (
          <SheetLanes late={late} across={hours} onAcross={setHours} />
        )}
      </div>
      <aside aria-label="How it goes" className="min-h-0 overflow-auto border-l border-line-strong bg-paper">
        <Chance own={own} rehearsal={rehearsal} />
        {found && found.schools.length > 1 && (
          <Part title="For time or for safety">
            <table className="w-full text-[14px]">
              <thead>
                <tr className="label text-left">
                  <th className="font-normal">Way of going about it</th>
                  <th className="text-right font-normal">Takes</th>
                  <th className="text-right font-normal">All hold</th>
                </tr>
              </thead>
              <tbody>
                {found.schools.map((each) => (
                  <tr key={each.school} className="border-t align-top">
                    <td className="py-1.5 pr-2">
                      <label className="flex items-start gap-2">
                        <input
                          type="radio"
                          name="school"
                          className="mt-1 size-4 accent-over"
                          checked={each.school === school}
                          onChange={() => job.edit(changeDocument({ crew: { ...document.crew, ahead: each.school } }))}
                        />
                        {SCHOOL_NAMES[each.school]}
                      </label>
                    </td>
                    <td className="whitespace-nowrap py-1.5 text-right tabular-nums">
                      {span(each.rehearsed.end.middle - job.layFromMin)}
                    </td>
                    <td className="py-1.5 text-right tabular-nums">{percent(each.rehearsed.allHold)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Part>
        )}
        <MovedByHand own={own} unmoved={found?.unmoved} />
        {own && <WhereLate own={own} />}
      </aside>
    </main>
  );
}

function Chance({ own, rehearsal }: { readonly own: SchoolRehearsed | undefined; readonly rehearsal: Rehearsal }) {
  const job = useJob('at', 'days', 'document', 'sheet');
  const { isWorking, share, failed, start, stop } = rehearsal;
  const rows =
    own &&
    ([
      ['Laying ends', own.rehearsed.end],
      ['May get wet', own.rehearsed.waterSafe],
      ['Cured for hand-over', own.rehearsed.ready],
      ['Ready', readySpread(job, own)],
    ] as const);
  return (
    <section className="border-b bg-sheet px-5 py-4">
      <h2 className="label">Every patch in its window</h2>
      <p className="figure text-4xl">{own ? percent(own.rehearsed.allHold) : '…'}</p>
      <p className="text-ink-2">of {DAYS} days gone through: flash, cure, air, hands and preparation as they vary</p>
      {isWorking ? (
        <div className="mt-2 flex items-center gap-3">
          <progress className="h-3 flex-1 accent-over" value={share} max={1} aria-label="Days gone through" />
          <Button onClick={stop}>Stop</Button>
        </div>
      ) : (
        !own &&
        job.sheet.out.actions.length > 0 && (
          <div className="mt-2">
            <Button onClick={start}>Go through it</Button>
          </div>
        )
      )}
      {failed && (
        <p role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2">
          {failed}
        </p>
      )}
      {rows && (
        <table className="mt-3 w-full text-[14px]">
          <thead>
            <tr className="label text-left">
              <th />
              <th className="text-right font-normal">Middle</th>
              <th className="text-right font-normal">90 % sure by</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, spread]) => (
              <tr key={name} className="border-t">
                <th className="py-1.5 text-left font-normal text-ink-2">{name}</th>
                {spread ? (
                  <>
                    <td className="text-right tabular-nums">{moment(job.at(spread.middle))}</td>
                    <td className="text-right font-semibold tabular-nums">{moment(job.at(spread.nineTenths))}</td>
                  </>
                ) : (
                  <td colSpan={2} className="text-right text-stop">
                    not on nine days in ten in this air
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Promise own={own} />
    </section>
  );
}

/** When it is ready for collection on those days: packed up, looked over, and somebody there. */
function readySpread(
  { days, document }: Pick<JobView, 'days' | 'document'>,
  { rehearsed: { end, ready } }: SchoolRehearsed,
) {
  if (!ready) return undefined;
  const of = (share: 'middle' | 'nineTenths') =>
    readyIf(document, days, { endMin: end[share], curedMin: ready[share] });
  const [middle, nineTenths] = [of('middle'), of('nineTenths')];
  return middle === null || nineTenths === null ? undefined : { middle, nineTenths };
}

/** What was wished for, and whether it may be promised. */
function Promise({ own }: { readonly own: SchoolRehearsed | undefined }) {
  const job = useJob('at', 'days', 'document');
  const needsBy = wantedBy(job.document);
  const ready = own && readySpread(job, own);
  if (!needsBy || !ready) return null;
  const holds = Date.parse(job.at(ready.nineTenths)) <= Date.parse(needsBy);
  return (
    <p className={`mt-3 border-l-4 px-3 py-2 ${holds ? 'border-ok bg-ok-soft' : 'border-stop bg-stop-soft'}`}>
      {holds
        ? `✓ ${moment(needsBy)} can be promised: 90 % sure.`
        : `✕ ${moment(needsBy)} cannot be promised: 90 % sure by ${moment(job.at(ready.nineTenths))}. Begin earlier, take a second pair of hands, or a warmer bay.`}
    </p>
  );
}

/** The patches that are late most often. */
function WhereLate({ own }: { readonly own: SchoolRehearsed }) {
  const job = useJob('choose', 'nameOf');
  const rows = own.patches
    .map((patch, index) => ({ patch, share: own.rehearsed.late[index]! }))
    .filter(({ share }) => share >= WORTH_NAMING)
    .sort((a, b) => b.share - a.share)
    .slice(0, MOST_NAMED);
  return (
    <Part title="Where it is late most often">
      {rows.length === 0 ? (
        <p className="text-ink-2">Nowhere worth naming.</p>
      ) : (
        <ul>
          {rows.map(({ patch, share }) => (
            <li key={patchKey(patch)} className="flex justify-between gap-3 border-b py-1 last:border-b-0">
              <button type="button" className="text-left underline" onClick={() => job.choose(patch.surface)}>
                {job.nameOf(patch.surface)}, section {patch.section}
              </button>
              <span className="tabular-nums">{percent(share)}</span>
            </li>
          ))}
        </ul>
      )}
    </Part>
  );
}
