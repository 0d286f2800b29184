import { FactTable } from '../../ui/FactTable';
import { useState } from 'react';
import {
  climbLadder,
  PAIR_IDS,
  pairName,
  SPOT_MACHINES,
  type SpotTest,
  USUAL_GOAL_PCT,
  USUAL_SPOT_M2,
} from '#core/prepare/stages';
import type { Surface } from '#formats/job';
import { changePrepare } from '#job/edit';
import { useEarlierPairsQuery } from '../../app/api';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { SelectField } from '../../ui/SelectField';

const MACHINE_WORDS = { dual: 'Dual action', forced: 'Forced rotation', rotary: 'Rotary', hand: 'By hand' } as const;
const percentFault = (value: number) => (value >= 0 && value <= 100 ? undefined : '0 to 100 %');

/** The ladder of test spots on a panel: what to try next and why, and what each try did. */
export function TestSpot({ surface }: { readonly surface: Surface }) {
  const job = useJob('document', 'edit', 'id');
  const { document, edit } = job;
  const all = document.prepare?.tests ?? [];
  const own = all.filter((test) => test.surface === surface.id);
  // What was found on another panel of the item is where this one begins.
  const elsewhere = climbLadder(
    all.filter((test) => test.surface !== surface.id),
    USUAL_GOAL_PCT,
  ).found;
  const { data: earlier = [] } = useEarlierPairsQuery({ id: job.id });
  const [before] = earlier;
  const answer = climbLadder(own, USUAL_GOAL_PCT, elsewhere ?? before?.pair);
  const [tried, setTried] = useState<Partial<SpotTest>>({});
  const pair = tried.pair ?? answer.next ?? PAIR_IDS[0];
  const { gonePct, hazePct = 0, minutes, areaM2, tookUm, machine } = tried;
  const note = () => {
    if (gonePct === undefined || minutes === undefined) return;
    const test = { surface: surface.id, pair, gonePct, hazePct, minutes, areaM2, tookUm, machine };
    edit(changePrepare({ tests: [...all.filter((one) => one.surface !== surface.id || one.pair !== pair), test] }));
    setTried({});
  };
  return (
    <Part title="Test spot">
      <p className="text-[14px]">
        {answer.found && !answer.next && (
          <>
            Taken: <strong>{pairName(answer.found)}</strong>, {answer.why}. It sets pad, liquid, minutes and micrometres
            for all paint like it.
          </>
        )}
        {answer.next && (
          <>
            Try <strong>{pairName(answer.next)}</strong>: {answer.why}.
          </>
        )}
        {!answer.found && !answer.next && `${answer.why}.`}
      </p>
      {own.length === 0 && elsewhere === undefined && before && (
        <p className="mt-1 text-[13.5px] text-ink-2">
          On {before.sameItem ? 'this very item' : 'one of its model'}, {before.title} ({before.surface.toLowerCase()}),{' '}
          {before.gonePct} % went with it.
        </p>
      )}
      {own.length > 0 && (
        <FactTable
          columns={['Pad and liquid', 'Gone', 'Haze', 'Min']}
          rows={own.map((test) => ({
            key: test.pair,
            name: pairName(test.pair),
            cells: [`${test.gonePct} %`, `${test.hazePct} %`, test.minutes],
          }))}
        />
      )}
      <details className="mt-2">
        <summary className="cursor-pointer text-[14px] text-ink-2">Note a test</summary>
        <div className="mt-2 grid grid-cols-3 gap-2">
          <div className="col-span-3">
            <SelectField
              label="Pad and liquid"
              value={pair}
              options={PAIR_IDS.map((id) => [id, pairName(id)] as const)}
              onChange={(next) => setTried({ ...tried, pair: next })}
            />
          </div>
          <NumberField
            optional
            label="Marks gone"
            unit="%"
            value={gonePct}
            check={percentFault}
            onChange={(value) => setTried({ ...tried, ...(value !== undefined && { gonePct: value }) })}
          />
          <NumberField
            optional
            label="Haze left"
            unit="%"
            value={hazePct}
            check={percentFault}
            onChange={(value) => setTried({ ...tried, hazePct: value ?? 0 })}
          />
          <NumberField
            optional
            label="Took"
            unit="min"
            value={minutes}
            check={(value) => (value > 0 && value <= 240 ? undefined : 'more than 0, at most 240')}
            onChange={(value) => setTried({ ...tried, ...(value !== undefined && { minutes: value }) })}
          />
          <NumberField
            label="Of the spot"
            unit="m²"
            value={areaM2 ?? USUAL_SPOT_M2}
            check={(value) => (value > 0 && value <= 4 ? undefined : 'more than 0, at most 4 m²')}
            onChange={(value) => setTried({ ...tried, areaM2: value })}
          />
          <NumberField
            optional
            label="Clear taken"
            unit="µm"
            value={tookUm}
            check={(value) => (value >= 0 && value <= 50 ? undefined : '0 to 50 µm')}
            onChange={(value) => setTried({ ...tried, tookUm: value })}
          />
          <SelectField
            label="Turned by"
            value={machine ?? ''}
            options={[['', 'as usual'], ...SPOT_MACHINES.map((id) => [id, MACHINE_WORDS[id]] as const)]}
            onChange={(next) => setTried({ ...tried, machine: next || undefined })}
          />
          <Button className="col-span-3" disabled={gonePct === undefined || minutes === undefined} onClick={note}>
            Note it
          </Button>
        </div>
      </details>
    </Part>
  );
}
