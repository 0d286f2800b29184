/** What is on an item after any run of visits, planned, begun, abandoned or finished: what a plain replay says. */
import fc from 'fast-check';
import type { FoundId } from '#core/products/families';
import type { Job, JobInput } from '#formats/job';
import type { LogEntry } from '#formats/log';
import { withTakenOff } from '#job/plan';
import tourer from '../../demo/jobs/satin-tourer.json';
import { plainJob } from '../testing/plain-job';
import { caughtUp, changedSince, comingBack, isHistory, type ItemVisit, jobAgain, lastVisit } from '.';

const PANELS = ['bonnet', 'roof', 'boot'] as const;
type Panel = (typeof PANELS)[number];
const DAY_MS = 86_400_000;
const FIRST_MS = Date.parse('2024-03-04T08:00:00Z');
const instant = (ms: number) => new Date(ms).toISOString();

const FIRST: Job = plainJob({
  startAt: instant(FIRST_MS),
  products: [tourer.products[0]!] as NonNullable<JobInput['products']>,
  surfaces: PANELS.map((id) => ({
    id,
    substrate: 'clear-gloss' as const,
    shape: { kind: 'rectangle' as const, aMm: 1000, bMm: 1000 },
    readingsUm: [120, 121, 122],
    layers: [],
  })),
}).document;
const product = FIRST.products[0]!;

/** One visit as somebody plans it and as far as it goes. */
const anyVisit = fc.record({
  /** Days after the visit before; a visit may be planned far ahead, and the next one come sooner. */
  inDays: fc.constantFrom(1, 40, 400),
  takes: fc.record(Object.fromEntries(PANELS.map((id) => [id, fc.constantFrom('nothing', 'top', 'all')]))),
  lays: fc.record(Object.fromEntries(PANELS.map((id) => [id, fc.boolean()]))),
  stripping: fc.constantFrom('planned', 'begun', 'ticked', 'finished'),
  leftOut: fc.option(fc.constantFrom(...PANELS), { nil: undefined }),
  laying: fc.constantFrom('none', 'begun', 'finished'),
});
type AnyVisit = typeof anyVisit extends fc.Arbitrary<infer T> ? T : never;

const TICKED: Panel = 'bonnet';
const STRIP = { kind: 'strip-found', round: 1 } as const;

/** What is tapped at a visit, in its order. */
function tapped(visit: AnyVisit, existing: ReadonlyMap<string, readonly FoundId[]>): LogEntry['entry'][] {
  const strips = PANELS.some((id) => visit.takes[id] !== 'nothing' && existing.get(id)!.length > 0);
  const stripped: LogEntry['entry'][] =
    !strips || visit.stripping === 'planned'
      ? []
      : [
          { type: 'stage-start', stage: STRIP, predictedMin: 30 },
          ...(visit.stripping === 'ticked' ? [{ type: 'stage-panel', stage: STRIP, surface: TICKED } as const] : []),
          ...(visit.leftOut ? [{ type: 'left-out', surface: visit.leftOut, reason: 'damaged' } as const] : []),
          ...(visit.stripping === 'finished' ? [{ type: 'stage-end', stage: STRIP } as const] : []),
        ];
  const laid = PANELS.filter((id) => visit.lays[id] && visit.laying !== 'none').flatMap(
    (surface): LogEntry['entry'][] => {
      const patch = { surface, layer: 0, coat: 1, copy: 1, section: 1 };
      const start = { product: product.id, sections: 1, areaM2: 1, amount: 5 };
      return visit.laying === 'begun'
        ? [{ type: 'lay-start', patch, start }]
        : [
            { type: 'lay-start', patch, start },
            { type: 'lay-end', patch },
            { type: 'level-start', patch },
            { type: 'level-end', patch },
          ];
    },
  );
  return [...stripped, ...laid];
}

/** What lies on the panels after a visit, by hand: what is finished counts, and nothing else. */
function replayed(before: ReadonlyMap<string, readonly FoundId[]>, visit: AnyVisit): Map<string, readonly FoundId[]> {
  return new Map(
    [...before].map(([id, layers]) => {
      const off =
        (visit.stripping === 'finished' && visit.leftOut !== id) || (visit.stripping === 'ticked' && id === TICKED);
      const taken = visit.takes[id] === 'all' ? layers.length : visit.takes[id] === 'top' ? 1 : 0;
      const left = off ? layers.slice(0, Math.max(0, layers.length - taken)) : layers;
      return [id, visit.lays[id] && visit.laying === 'finished' ? [...left, product.family] : left];
    }),
  );
}

const existingOf = ({ surfaces }: Pick<Job, 'surfaces'>) => new Map(surfaces.map(({ id, existing }) => [id, existing]));

test('law: what lies on an item after any visits is what was finished at them, panel by panel', () => {
  fc.assert(
    fc.property(fc.array(anyVisit, { minLength: 1, maxLength: 5 }), (course) => {
      const visits: ItemVisit[] = [];
      let truth: Map<string, readonly FoundId[]> = existingOf(FIRST);
      let startMs = FIRST_MS;
      for (const visit of course) {
        startMs += visit.inDays * DAY_MS;
        const last = lastVisit(visits, startMs);
        const base = last
          ? jobAgain(last.document, last.log, { what: 'again', startAt: instant(startMs) })
          : { ...FIRST, startAt: instant(startMs) };
        // As it comes in, it is what the visits before left.
        expect(existingOf(base)).toEqual(truth);
        const surfaces = base.surfaces.map((surface) => ({
          ...surface,
          layers: visit.lays[surface.id] ? [{ product: product.id, coats: 1, method: 'small-block' as const }] : [],
        }));
        const prepare = PANELS.reduce((settings, id) => withTakenOff(settings, [id], visit.takes[id]!), base.prepare);
        const document: Job = { ...base, products: [product], surfaces, prepare };
        const log = tapped(visit, truth).map((entry, nth): LogEntry => ({
          seq: nth + 1,
          id: `${startMs}-${nth}`,
          at: instant(startMs + nth * 60_000),
          recordedAt: instant(startMs),
          entry,
        }));
        visits.push({ document, log });
        if (isHistory({ document, log })) truth = replayed(truth, visit);
        expect(isHistory({ document, log })).toBe(log.length > 0);
      }
      const last = lastVisit(visits, startMs)!;
      expect(existingOf(comingBack(last.document, last.log))).toEqual(truth);
    }),
    { numRuns: 200 },
  );
});

test('a visit that is only planned is not the last, however near; where nothing was ever done the first by now is', () => {
  const inDays = (days: number): ItemVisit => ({
    document: { ...FIRST, startAt: instant(FIRST_MS + days * DAY_MS) },
    log: [],
  });
  const [begun, planned, later] = [inDays(0), inDays(10), inDays(400)];
  const now = FIRST_MS + 20 * DAY_MS;
  expect(lastVisit([begun, planned, later], now)).toBe(planned);
  expect(lastVisit([later], now)).toBe(later);
  const done: ItemVisit = {
    ...begun,
    log: [
      {
        seq: 1,
        id: 'a',
        at: begun.document.startAt,
        recordedAt: begun.document.startAt,
        entry: { type: 'stage-start', stage: { kind: 'wash', round: 1 }, predictedMin: 30 },
      },
    ],
  };
  expect(lastVisit([done, planned, later], now)).toBe(done);
});

test('a job planned ahead is brought up to what its item became since; what is planned and seen for it stays', () => {
  const roof = (job: Pick<Job, 'surfaces'>) => job.surfaces.find(({ id }) => id === 'roof')!;
  const ahead = jobAgain(FIRST, [], { what: 'renewal', startAt: instant(FIRST_MS + 400 * DAY_MS) });
  const swirls = { id: 'own', kind: 'swirls', severity: 'light', at: [0.5, 0.5] } as const;
  const planned: Job = {
    ...ahead,
    prepare: withTakenOff(ahead.prepare, ['roof'], 'all'),
    surfaces: ahead.surfaces.map((surface) =>
      surface.id === 'roof' ? { ...surface, readingsUm: [118], marks: [{ ...swirls, at: [0.5, 0.5] }] } : surface,
    ),
  };
  const surfaces = FIRST.surfaces.map((surface) => ({
    ...surface,
    layers: [{ product: product.id, coats: 1, method: 'small-block' as const }],
  }));
  const lays = Object.fromEntries(PANELS.map((id) => [id, id === 'roof']));
  const entries = tapped(
    {
      inDays: 1,
      takes: Object.fromEntries(PANELS.map((id) => [id, 'nothing'])),
      lays,
      stripping: 'planned',
      leftOut: undefined,
      laying: 'finished',
    },
    existingOf(FIRST),
  );
  const log = entries.map((entry, nth): LogEntry => ({
    seq: nth + 1,
    id: `c${nth}`,
    at: instant(FIRST_MS + nth * 60_000),
    recordedAt: instant(FIRST_MS),
    entry,
  }));
  const since: ItemVisit = { document: { ...FIRST, surfaces }, log };
  expect(changedSince(planned, since)).toEqual(['roof']);
  const now = caughtUp(planned, since);
  expect(roof(now).existing).toEqual([product.family]);
  expect(roof(now)).toMatchObject({ readingsUm: [118], marks: [{ id: 'own' }] });
  expect(now.prepare).toEqual(planned.prepare);
  expect(changedSince(now, since)).toEqual([]);
});
