/** Renewed: what must come off, what may stay. */
import { foldLog } from '#core/lay/run';
import { jobSchema } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
import { judgeLayers } from '#job/judge';
import { planInput } from '#job/plan';
import { preparedPanels } from '#job/prepare';
import { standingView } from '#job/view';
import { yardThatMorning } from '../../demo/that-morning';
import { renewalJob, renewalOf } from '.';

const STARTS = '2028-03-02T09:00:00+01:00';
const of = (id: string) => {
  const { draft, log: taps } = yardThatMorning().jobs.find((job) => job.id === id)!;
  const { document } = draft;
  const log = taps.map((entry, nth): LogEntry => ({ ...entry, seq: nth, recordedAt: entry.at }));
  const record = foldLog(loggedEntries(document.startAt, log));
  const standing = standingView(planInput(document), record, document.owner, undefined);
  const renewal = { startAt: STARTS, standing, sheets: document.products };
  return { document, log, standing, ways: renewalOf(document, log, renewal), made: renewalJob(document, log, renewal) };
};

test('each panel in the mildest way the rules allow; made a job, nothing in it is refused and what stays lies under it', () => {
  const seen = new Set<string>();
  for (const id of ['slate-estate', 'marrow-launch', 'two-door-classic', 'teal-hatchback', 'teal-hatchback-sealant']) {
    const { ways, made, standing } = of(id);
    const panels = standing.filter(({ layers, found }) => layers.length + found.length > 0);
    expect(ways.map(({ surface }) => surface)).toEqual(panels.map(({ surface }) => surface.id));
    expect(jobSchema.safeParse(JSON.parse(JSON.stringify(made))).success).toBe(true);
    const planned = planInput(made);
    const prepared = new Map(preparedPanels(made).map((panel) => [panel.id, panel]));
    for (const { surface, way, lays, because } of ways) {
      seen.add(way);
      const ground = planned.surfaces.find((each) => each.id === surface)!;
      const judged = judgeLayers(ground, made.surfaces.find((each) => each.id === surface)!.layers, planned.products);
      expect([id, surface, judged.some(({ answer }) => answer === 'no')]).toEqual([id, surface, false]);
      expect(ground.layers).toHaveLength(lays.length);
      expect(because === undefined).toBe(way === 'over');
      const strips = prepared.get(surface)!.steps.some(({ kind }) => kind === 'strip-found');
      expect([id, surface, strips]).toEqual([id, surface, way === 'top-off' || way === 'all-off']);
      if (way === 'all-off') expect(ground.existing).toEqual([]);
    }
  }
  expect([...seen].sort()).toEqual(['all-off', 'none', 'over']);
});

test('nothing is renewed over crazed paint by itself, though it was waxed before: that was somebody’s own word', () => {
  const left = of('two-door-classic').ways.filter(({ way }) => way === 'none');
  expect(left.map(({ surface }) => surface)).toEqual(['boot-lid']);
  expect(left[0]!.because).toMatch(/crazed/);
});

test('a product whose sheet lets it go over its own kind is laid over what stands; nothing comes off', () => {
  const { document, log, standing } = of('slate-estate');
  const sheets = document.products.map((product) => ({ ...product, over: [...product.over, product.family] }));
  const renewal = { startAt: STARTS, standing, sheets };
  const ways = renewalOf(document, log, renewal);
  expect(new Set(ways.map(({ way }) => way))).toEqual(new Set(['over']));
  const made = renewalJob(document, log, renewal);
  expect(made.prepare?.strip).toEqual([]);
  expect(preparedPanels(made).some(({ steps }) => steps.some(({ kind }) => kind === 'strip-found'))).toBe(false);
});

test('what there is no sheet of any more is left to be chosen, and stays as it is', () => {
  const { document, log, standing } = of('slate-estate');
  const renewal = { startAt: STARTS, standing, sheets: [] };
  expect(new Set(renewalOf(document, log, renewal).map(({ way }) => way))).toEqual(new Set(['none']));
  const made = renewalJob(document, log, renewal);
  expect([made.products, made.surfaces.flatMap(({ layers }) => layers), made.prepare?.strip ?? []]).toEqual([
    [],
    [],
    [],
  ]);
  expect(made.surfaces.some(({ existing }) => existing.length > 0)).toBe(true);
});
