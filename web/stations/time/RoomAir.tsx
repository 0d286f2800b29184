import { useMemo } from 'react';
import { type Air, airAt } from '#core/time/air';
import { coatWindow } from '#core/plan/job';
import { EXPLOSIVE_ALARM, releasesOf, roomVapour, type RoomVapour } from '#core/lay/vapour';
import { USUAL_ROOM } from '#formats/job';
import { changeDocument } from '#job/edit';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { FactTable } from '../../ui/FactTable';
import { NumberField } from '../../ui/NumberField';
import { moment, span } from '../../ui/moments';
import { percent } from '../../ui/numbers';

/** One way of airing the bay: what it does to the vapour, and what its draught does to the window. */
interface Airing {
  readonly name: string;
  readonly airChangesPerHour: number;
  readonly airSpeed: number;
  readonly vapour: RoomVapour;
}

/** Solvent in the air of the bay over the run sheet, beside its limits; more air takes it away, and shortens windows. */
export function RoomAir() {
  const job = useJob('at', 'bay', 'document', 'planned', 'sheet');
  const { document, bay, planned, sheet } = job;
  const own = document.room;
  const measured = own ?? bay?.room ?? undefined;
  const doorOpen = bay?.room?.doorOpen;
  const airings = useMemo(() => {
    if (!measured) return [];
    const products = new Map(planned.products.map((product) => [product.id, product]));
    const releases = releasesOf(sheet.out.actions, products, own?.limitMgPerM3);
    const speed = airAt(planned.ambient, sheet.out.actions[0]?.startMin ?? 0).airSpeed;
    const ways = [
      { name: doorOpen ? 'Door shut' : 'As it is', airChangesPerHour: measured.airChangesPerHour, airSpeed: speed },
      ...(doorOpen ? [{ name: 'Door open', ...doorOpen }] : []),
    ];
    return ways.flatMap((way): Airing[] => {
      const vapour = roomVapour(releases, { ...measured, airChangesPerHour: way.airChangesPerHour });
      return vapour ? [{ ...way, vapour }] : [];
    });
  }, [measured, doorOpen, own?.limitMgPerM3, planned, sheet]);
  const [shut] = airings;
  return (
    <Part title="Air to breathe">
      {shut ? (
        <>
          <Verdict vapour={shut.vapour} />
          <div className="mt-2">
            <FactTable
              columns={['', ...airings.map(({ name }) => name)] as [string, ...string[]]}
              rows={factsOf(job, airings)}
            />
          </div>
        </>
      ) : (
        <p className="text-ink-2">
          {measured
            ? 'Nothing that is still to be laid lets solvent into the air.'
            : 'How large is the bay? Then the vapour in it is worked out.'}
        </p>
      )}
      <p className="mt-2 border-l-4 border-line-strong px-3 text-[14px]">
        Solvent vapour is breathed in, dulls the mind and burns. Its safety sheet and local rules stand above this
        figure; an organic-vapour mask is worn whatever it says where they ask for one. No flame, no sparks, no heater
        with a glowing wire.
      </p>
      <details className="mt-3">
        <summary className="text-[14px] text-ink-2">
          The room{own ? '' : bay?.room ? `, as ${bay.name} has it` : ''}
        </summary>
        <RoomForm />
      </details>
    </Part>
  );
}

/** The one thing that matters: whether it may be breathed, and what it takes. */
function Verdict({ vapour: { peak, peakMin, neededPerHour } }: { readonly vapour: RoomVapour }) {
  const job = useJob('at');
  const burns = peak.ofExplosive >= EXPLOSIVE_ALARM;
  const isOver = burns || (peak.ofLimit ?? 0) > 1;
  const needs =
    neededPerHour === null
      ? 'No fan is enough: lay less at a time, or outside.'
      : `It takes ${neededPerHour.toFixed(1)} air changes an hour.`;
  if (peak.ofLimit === undefined && !burns) {
    return (
      <p>
        <span className="figure text-xl">{peak.mgPerM3.toFixed(0)} mg/m³</span> at most, {moment(job.at(peakMin))}.
        Nobody has entered what may be breathed: it stands on the safety sheet.
      </p>
    );
  }
  return (
    <p className={isOver ? 'border-l-4 border-stop bg-stop-soft px-3 py-2' : ''}>
      <strong className={`figure text-xl ${isOver ? 'text-stop' : 'text-ok'}`}>
        {isOver ? '✕' : '✓'} {percent(burns ? peak.ofExplosive : peak.ofLimit!)}
      </strong>{' '}
      {burns ? 'of what begins to burn: a tenth of it is the alarm' : 'of what may be breathed'},{' '}
      {moment(job.at(peakMin))}.{isOver && ` ${needs}`}
    </p>
  );
}

const factsOf = (job: Pick<JobView, 'at' | 'document' | 'planned' | 'sheet'>, airings: readonly Airing[]) => [
  {
    key: 'changes',
    name: 'Air changes an hour',
    cells: airings.map(({ airChangesPerHour }) => airChangesPerHour.toFixed(airChangesPerHour < 10 ? 1 : 0)),
  },
  { key: 'peak', name: 'At most, mg/m³', cells: airings.map(({ vapour }) => vapour.peak.mgPerM3.toFixed(0)) },
  {
    key: 'limit',
    name: 'Of what may be breathed',
    cells: airings.map(({ vapour: { peak } }) => (peak.ofLimit === undefined ? 'not known' : percent(peak.ofLimit))),
  },
  {
    key: 'burn',
    name: 'Of what begins to burn',
    cells: airings.map(({ vapour: { peak } }) => `${(100 * peak.ofExplosive).toFixed(1)} %`),
  },
  {
    key: 'clear',
    name: 'Clear without a mask',
    cells: airings.map(({ vapour: { clearMin } }) => (clearMin === null ? 'never' : moment(job.at(clearMin)))),
  },
  { key: 'window', name: 'Window in that draught', cells: airings.map(({ airSpeed }) => windowIn(job, airSpeed)) },
];

/** What a draught leaves of the window of the next coat. */
function windowIn(
  { sheet, planned, document }: Pick<JobView, 'document' | 'planned' | 'sheet'>,
  airSpeed: number,
): string {
  const next = sheet.out.actions.find(({ does }) => does === 'lay');
  if (!next) return '';
  const air: Air = { ...airAt(planned.ambient, next.startMin), airSpeed };
  const { surfaceC } = document.surfaces.find(({ id }) => id === next.coat.surface.id) ?? {};
  const { guarded } = coatWindow(
    {
      product: next.coat.product,
      ambient: [{ atMin: 0, ...air }],
      matteSchool: planned.matteSchool,
      substrate: next.coat.surface.substrate,
      surfaceC,
    },
    0,
    planned.crew.guardSigma,
  );
  if (!guarded) return 'shut';
  return `${span(guarded.fromMin)} – ${guarded.byMin === null ? 'no end' : span(guarded.byMin)}`;
}

/** How large the room is, how its air is changed, and a limit that goes for everything in it. */
function RoomForm() {
  const { document, bay, edit } = useJob('document', 'bay', 'edit');
  const room = document.room ?? bay?.room ?? USUAL_ROOM;
  const change = (changes: Partial<NonNullable<typeof document.room>>) => {
    const { volumeM3, airChangesPerHour } = room;
    edit(changeDocument({ room: { volumeM3, airChangesPerHour, ...document.room, ...changes } }));
  };
  return (
    <div className="mt-2 grid grid-cols-3 gap-3">
      <NumberField
        optional
        label="Volume"
        unit="m³"
        value={document.room?.volumeM3 ?? bay?.room?.volumeM3}
        check={(value) => (value > 0 ? undefined : 'more than 0')}
        onChange={(volumeM3) =>
          volumeM3 === undefined ? edit(changeDocument({ room: undefined })) : change({ volumeM3 })
        }
      />
      <NumberField
        optional
        label="Air changes"
        unit="/h"
        value={document.room?.airChangesPerHour ?? bay?.room?.airChangesPerHour}
        check={(value) => (value >= 0 && value < 200 ? undefined : '0 to 200')}
        onChange={(airChangesPerHour) => airChangesPerHour !== undefined && change({ airChangesPerHour })}
      />
      <NumberField
        optional
        label="Limit"
        unit="mg/m³"
        value={document.room?.limitMgPerM3}
        check={(value) => (value > 0 ? undefined : 'more than 0')}
        onChange={(limitMgPerM3) => change({ limitMgPerM3 })}
      />
    </div>
  );
}
