import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { HOT_REASONS, type Look } from '#core/work/check';
import { CHECK_LIGHTS, type CheckLight, type NetPoint } from '#core/work/run';
import { checkNet, checkView } from '#job/check';
import { Station } from '../../job/Station';
import { type JobView, useJob } from '../../job/useJobView';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { Segmented } from '../../ui/Segmented';
import { Closing } from './Closing';
import { Faults } from './Faults';
import { LookAt } from './LookAt';
import { NewFault } from './NewFault';
import { LIGHT_WORDS } from './words';

const LEGEND: readonly LegendEntry[] = [
  { fill: 'buff', text: 'Now' },
  { fill: 'blank', text: 'To be looked at' },
  { fill: 'tint-2', text: '✓ Looked at' },
  { fill: 'warn', text: 'A fault on it' },
  { fill: 'cross', text: 'Nothing laid' },
];

/** Light off, hand light on: round the item place by place, what is found is mended, then looked at again. */
export function Component() {
  const job = useJob();
  const { document, laid, planned, record, sheet, chosen } = job;
  const [light, setLight] = useState<CheckLight>('hand-light');
  const [found, setFound] = useState<{ readonly surface: string; readonly at: NetPoint }>();
  // The net stands as long as no other panel is laid.
  const laidKey = [...laid].sort().join();
  const net = useMemo(() => checkNet(document, new Set(laidKey.split(','))), [document, laidKey]);
  const check = useMemo(() => checkView(net, planned, record, sheet), [net, planned, record, sheet]);
  const looks = check.looks[light];
  const current =
    looks.find(({ surfaces, seen }) => chosen && !seen && surfaces.includes(chosen.id)) ??
    looks.find(({ seen }) => !seen);
  const lens = useMemo(() => checkLens(laid, looks, current, check.open), [laid, looks, current, check.open]);
  if (laid.size === 0) return <NothingLaid job={job} />;
  const seen = (each: CheckLight) => check.looks[each].filter((look) => look.seen).length;
  return (
    <Station
      lens={lens}
      legend={LEGEND}
      lensName="what is to be looked at"
      headline={
        <Segmented
          label="Light"
          value={light}
          options={CHECK_LIGHTS.map((each) => [
            each,
            `${LIGHT_WORDS[each].name} ${seen(each)}/${check.looks[each].length}`,
          ])}
          onChange={(next) => next && setLight(next)}
        />
      }
      onPlace={(surface, [x, y]) => {
        if (!laid.has(surface)) return false;
        setFound({ surface, at: [x, y] });
        return true;
      }}
    >
      {found ? (
        <NewFault job={job} net={net} found={found} onDone={() => setFound(undefined)} />
      ) : (
        <>
          <LookAt job={job} light={light} look={current} onNextLight={setLight} check={check} />
          <Faults job={job} />
          <Closing job={job} isChecked={check.isDone} />
        </>
      )}
    </Station>
  );
}

function checkLens(
  laid: ReadonlySet<string>,
  looks: readonly Look[],
  current: Look | undefined,
  open: readonly {
    readonly entry: string;
    readonly patch: { readonly surface: string };
    readonly at?: NetPoint | undefined;
  }[],
) {
  const seen = new Set(looks.flatMap((look) => (look.seen ? look.surfaces : [])));
  const paints = new Map<string, PanelPaint>();
  for (const surface of laid) {
    const faults = open.filter(({ patch }) => patch.surface === surface);
    const own = current?.surfaces.includes(surface) ? current.places.filter((place) => place.surface === surface) : [];
    const isSeen = seen.has(surface);
    paints.set(surface, {
      fill: faults.length > 0 ? 'warn' : isSeen ? 'tint-2' : own.length > 0 ? 'buff' : 'blank',
      sign: isSeen && faults.length === 0 ? 'done' : undefined,
      spots: [
        ...own.map(({ key, at, why }) => ({ key, at, sign: why === 'fault' ? '!' : '·', size: 'small' as const })),
        ...faults.map(({ entry, at }) => ({
          key: entry,
          at: at ?? ([0.5, 0.5] as const),
          sign: '!',
          size: 'large' as const,
        })),
      ],
    });
  }
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'cross' };
}

function NothingLaid({ job }: { readonly job: JobView }) {
  return (
    <main className="flex h-full flex-col items-center justify-center gap-4 p-10 text-center">
      <h2 className="figure text-2xl">Nothing to check yet</h2>
      <p className="max-w-prose text-ink-2">
        Once the first patch is laid under Run, the places where faults hide stand here:{' '}
        {Object.values(HOT_REASONS).slice(2, 6).join(', ').toLowerCase()} and more.
      </p>
      <Link
        to={`/jobs/${job.id}/run`}
        className="inline-flex min-h-14 items-center bg-over px-8 text-lg font-semibold text-over-ink"
      >
        Go to Run
      </Link>
    </main>
  );
}
