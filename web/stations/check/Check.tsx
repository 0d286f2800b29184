import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type CheckProgress, HOT_REASONS, type Look } from '#core/check/checks';
import { CHECK_LIGHTS, type CheckLight, type NetPoint } from '#core/lay/run';
import { checkNet, checkView, keepDryUntilMin, panelDrops } from '#job/check';
import { Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { LegendEntry, PanelPaint, PanelSpot } from '../../net/paint';
import { Segmented } from '../../ui/Segmented';
import { Closing } from './Closing';
import { Faults } from './Faults';
import { LookAt } from './LookAt';
import { Water } from './Water';
import { useWetPicture } from './useWetPicture';
import { useIsHelper } from '../../people/api';
import { Proof } from './Proof';
import { NewFault } from './NewFault';
import { LIGHT_WORDS } from './words';

const LEGEND: readonly LegendEntry[] = [
  { fill: 'buff', text: 'Now' },
  { fill: 'blank', text: 'To be looked at' },
  { fill: 'tint-2', text: '✓ Looked at' },
  { fill: 'warn', text: 'A fault on it' },
  { fill: 'cross', text: 'Nothing laid' },
];

const WATER_LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'No drop read' },
  { fill: 'tint-2', text: 'A drop stands on it' },
  { fill: 'warn', text: 'A fault, or no higher than bare' },
  { fill: 'cross', text: 'Bare' },
];

/** Light off, hand light on: round the item place by place, what is found is mended, then looked at again. */
export function Component() {
  const job = useJob('byOf', 'chosen', 'document', 'id', 'laid', 'nowMin', 'planned', 'record', 'sheet');
  const { document, laid, planned, record, sheet, chosen } = job;
  const [view, setView] = useState<CheckLight | 'water'>('hand-light');
  const light = view === 'water' ? 'daylight' : view;
  const isHelper = useIsHelper();
  const [found, setFound] = useState<{ readonly surface: string; readonly at: NetPoint }>();
  // The net stands as long as no other panel is laid.
  const laidKey = [...laid].sort().join();
  const net = useMemo(() => checkNet(document, new Set(laidKey.split(','))), [document, laidKey]);
  const { byOf } = job;
  const check = useMemo(
    () => checkView(net, planned, record, sheet, { byOf, isHelper }),
    [net, planned, record, sheet, byOf, isHelper],
  );
  const isWater = view === 'water';
  const dryUntilMin = isWater ? keepDryUntilMin(job) : null;
  const mayBeWet = dryUntilMin !== null && job.nowMin >= dryUntilMin;
  const picture = useWetPicture(job.id, net, isWater && mayBeWet, (surface, at) => setFound({ surface, at }));
  const looks = check.looks[light];
  const current =
    looks.find(({ surfaces, seen }) => chosen && !seen && surfaces.includes(chosen.id)) ??
    looks.find(({ seen }) => !seen);
  const lens = useMemo(
    () =>
      isWater ? waterLens(laid, panelDrops(record, laid), check.open) : checkLens(laid, looks, current, check.open),
    [isWater, record, laid, looks, current, check.open],
  );
  if (laid.size === 0) return <NothingLaid />;
  const seen = (each: CheckLight) => check.looks[each].filter((look) => look.seen).length;
  return (
    <Station
      lens={lens}
      legend={isWater ? WATER_LEGEND : LEGEND}
      lensName={isWater ? 'what water says' : 'what is to be looked at'}
      headline={
        <Segmented
          label="Light"
          value={view}
          options={[
            ...CHECK_LIGHTS.map(
              (each) => [each, `${LIGHT_WORDS[each].name} ${seen(each)}/${check.looks[each].length}`] as const,
            ),
            ['water', 'Water'],
          ]}
          onChange={(next) => next && setView(next)}
        />
      }
      onPlace={(surface, [x, y]) => {
        // A drop is read on what lies bare too: there the panel is chosen.
        if (isWater || !laid.has(surface)) return false;
        setFound({ surface, at: [x, y] });
        return true;
      }}
      tool={isWater ? picture.tool : undefined}
    >
      {found ? (
        <NewFault
          net={net}
          found={found}
          first={isWater ? 'missed-patch' : undefined}
          onDone={() => setFound(undefined)}
        />
      ) : isWater ? (
        <>
          <Water picture={picture} />
          <Faults />
        </>
      ) : (
        <>
          <LookAt light={light} look={current} onNextLight={setView} check={check} />
          <Faults />
          <Proof />
          <Closing isChecked={check.isDone} />
        </>
      )}
    </Station>
  );
}

/** What is not mended yet, in its place on its panel. */
const faultSpots = (faults: CheckProgress['open']): PanelSpot[] =>
  faults.map(({ entry, at }) => ({ key: entry, at: at ?? ([0.5, 0.5] as const), sign: '!', size: 'large' }));

function waterLens(laid: ReadonlySet<string>, drops: ReturnType<typeof panelDrops>, open: CheckProgress['open']) {
  return (id: string): PanelPaint => {
    const drop = drops.find(({ surface }) => surface === id);
    const faults = open.filter(({ patch }) => patch.surface === id);
    const caption = drop && `${drop.readings.at(-1)!.deg.toFixed(0)}°`;
    if (!laid.has(id)) return { fill: 'cross', caption };
    const isBad = faults.length > 0 || drop?.beside === 'like-bare';
    return { fill: isBad ? 'warn' : drop ? 'tint-2' : 'blank', caption, spots: faultSpots(faults) };
  };
}

function checkLens(
  laid: ReadonlySet<string>,
  looks: readonly Look[],
  current: Look | undefined,
  open: CheckProgress['open'],
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
        ...faultSpots(faults),
      ],
    });
  }
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'cross' };
}

function NothingLaid() {
  const job = useJob('id');

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
