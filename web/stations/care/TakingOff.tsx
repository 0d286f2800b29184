import { useState } from 'react';
import type { RemovalPaint } from '#core/care/upkeep';
import { MINUTES_PER_HOUR } from '#core/measures';
import { SIDE_WORDS } from '#core/check/checks';
import { money } from '#formats/values';
import { wishesOf } from '#job/choose';
import { costOfWaiting, removalJob, type WaitingDay } from '#job/removal';
import { useLogQuery } from '../../app/api';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Fault } from '../../ui/Fault';
import { SelectField } from '../../ui/SelectField';
import { um } from '../../ui/measures';
import { day, span } from '../../ui/moments';
import { percent } from '../../ui/numbers';
import { useMakeNextJob } from './useMakeNextJob';

const DAY_WORDS: Readonly<Record<WaitingDay['key'], string>> = {
  today: 'Today',
  hard: 'Once it is hard',
  'one-year': 'In a year',
  renewal: 'At the first renewal',
  'panel-by-panel': 'Each panel at its own renewal',
  'three-years': 'In three years',
  'five-years': 'In five years',
};

interface Props {
  readonly paints: readonly RemovalPaint[];
}

/** What waiting costs, and the taking off made a job. */
export function TakingOff({ paints }: Props) {
  const job = useJob('at', 'document', 'nowMin', 'standing');
  const { document } = job;
  const days = costOfWaiting(job.standing, paints, job.nowMin);
  const rate = wishesOf(document).hourRate;
  if (days.length === 0) return null;
  return (
    <>
      <Part title="What waiting costs">
        <table className="w-full text-[14px]">
          <thead>
            <tr className="text-left text-[13px] text-ink-2">
              <th className="font-normal">Taken off</th>
              <th className="text-right font-normal">All of it</th>
              <th className="text-right font-normal">Only the top</th>
              <th className="text-right font-normal">While correcting</th>
            </tr>
          </thead>
          <tbody>
            {days.map(({ key, atMin, all, top, correcting }) => (
              <tr key={key} className="border-t align-top">
                <th scope="row" className="py-1 text-left font-normal">
                  {DAY_WORDS[key]}
                  <span className="block text-[13px] text-ink-2">
                    {key === 'panel-by-panel' && 'the last '}
                    {day(job.at(atMin))}
                  </span>
                </th>
                {[all, top, correcting].map(({ minutes, clearUm, staysChance }, nth) => (
                  <td key={nth} className="py-1 pl-2 text-right">
                    <strong>{minutes === 0 ? 'no more' : span(minutes)}</strong>
                    {rate > 0 && minutes > 0 && (
                      <span className="block">{money((minutes / MINUTES_PER_HOUR) * rate, document.currency)}</span>
                    )}
                    <span className="block text-[13px] text-ink-2">
                      {um(clearUm, 1)}
                      {staysChance >= LIKELY && `, ${percent(staysChance)} stays`}
                    </span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-2 text-[13px] text-ink-2">
          Work{rate > 0 && `, and what it comes to at ${money(rate, document.currency)} an hour`}; clear expected on the
          panel that loses most; the chance that something stays on a panel. While correcting: beside the hours of the
          correction itself, which polishes it off.
        </p>
      </Part>
      <MakeItAJob />
    </>
  );
}

/** Rarer than this it is not worth a word. */
const LIKELY = 0.05;

/** The taking off of a panel, a side or the whole, as a job of its own. */
export function MakeItAJob() {
  const job = useJob('at', 'bay', 'chosen', 'document', 'id', 'nameOf', 'nowMin');
  const { id, document, chosen } = job;
  const { currentData: log } = useLogQuery({ id });
  const { make, error, isLoading } = useMakeNextJob(job);
  const sides = [...new Set(document.surfaces.flatMap(({ zone }) => zone ?? []))];
  const [where, setWhere] = useState(chosen ? 'panel' : 'item');
  const [takes, setTakes] = useState<'all' | 'top'>('all');
  const place = where === 'panel' && !chosen ? 'item' : where;
  const surfaces = document.surfaces
    .filter(({ id: own, zone }) => place === 'item' || (place === 'panel' ? own === chosen?.id : zone === place))
    .map(({ id: own }) => own);
  const startAt = job.at(Math.max(0, Math.ceil(job.nowMin)));
  const made = log && removalJob(document, log, { surfaces, takes, startAt });
  return (
    <Part title="Take it off">
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label="Where"
          value={place}
          options={[
            ['item', 'the whole item'],
            ...(chosen ? ([['panel', job.nameOf(chosen.id)]] as const) : []),
            ...sides.map((side) => [side, SIDE_WORDS[side].toLowerCase()] as const),
          ]}
          onChange={setWhere}
        />
        <SelectField
          label="What"
          value={takes}
          options={[
            ['all', 'all that lies on it'],
            ['top', 'only the top'],
          ]}
          onChange={setTakes}
        />
      </div>
      <Button look="main" className="mt-3" disabled={!made || isLoading} onClick={() => made && make(made, 'prepare')}>
        Make it a job
      </Button>
      <p className="mt-1 text-[14px] text-ink-2">
        {made
          ? 'A job of its own: its steps stand under Prepare and Run, mildest first, and what they take in the ledger.'
          : 'Nothing lies there that could come off.'}
      </p>
      <Fault error={error} />
    </Part>
  );
}
