/** A panel back from the body shop: bare, breathing, and matched with the rest. */
import { foldLog } from '#core/lay/run';
import { jobSchema } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
import { judgeLayers } from '#job/judge';
import { planInput } from '#job/plan';
import { standingView } from '#job/view';
import { yardThatMorning } from '../../demo/that-morning';
import { repairedJob, stackOfRest } from '.';

const { draft, log: taps } = yardThatMorning().jobs.find(({ id }) => id === 'slate-estate')!;
const { document } = draft;
const log = taps.map((entry, nth): LogEntry => ({ ...entry, seq: nth, recordedAt: entry.at }));
const standing = standingView(
  planInput(document),
  foldLog(loggedEntries(document.startAt, log)),
  document.owner,
  undefined,
);
const PAINTED = '2027-04-06';
const repaired = (surface: string) =>
  repairedJob(document, log, {
    surface,
    refinishedOn: PAINTED,
    stack: stackOfRest(standing, surface, document.products),
  });

test('it gets what lay on it, or else what panels of its kind have, once its paint has breathed as long as the sheets say', () => {
  const bonnet = standing.find(({ surface }) => surface.id === 'bonnet')!;
  const made = repaired('bonnet');
  expect(jobSchema.safeParse(JSON.parse(JSON.stringify(made))).success).toBe(true);
  const panel = made.surfaces.find(({ id }) => id === 'bonnet')!;
  expect(panel).toMatchObject({ paint: 'refinished', refinishedOn: PAINTED, existing: [], readingsUm: [] });
  expect([panel.clearUm, panel.clearBefore, panel.existingTold]).toEqual([undefined, undefined, undefined]);
  expect(panel.layers.map(({ product }) => product)).toEqual(bonnet.layers.map(({ product }) => product.id));

  const asked = (startAt: string) => {
    const planned = planInput({ ...made, startAt });
    const ground = planned.surfaces.find(({ id }) => id === 'bonnet')!;
    return judgeLayers(ground, panel.layers, planned.products).map(({ answer }) => answer);
  };
  expect(asked(made.startAt)).toEqual(['yes']);
  const dayBefore = new Date(Date.parse(made.startAt) - 24 * 3_600_000).toISOString();
  expect(asked(dayBefore)).not.toContain('yes');
  expect(made.startAt).toMatch(/T09:00/);

  // One that was left bare as a control gets what its neighbours have.
  const bare = standing.find(
    ({ surface, layers }) => surface.substrate === bonnet.surface.substrate && layers.length === 0,
  )!;
  expect(stackOfRest(standing, bare.surface.id, document.products)).toEqual([
    { product: expect.objectContaining({ id: bonnet.layers[0]!.product.id }), coats: bonnet.layers[0]!.coats },
  ]);
});

test('the rest of the item stays as it is, with what lies on it and its age; a panel there is not is refused', () => {
  const others = repaired('bonnet').surfaces.filter(({ id }) => id !== 'bonnet');
  const roof = others.find(({ id }) => id === 'roof')!;
  expect(others.flatMap(({ layers }) => layers)).toEqual([]);
  expect(roof.existing.length).toBeGreaterThan(0);
  expect(roof.existingTold!.at(-1)!.since).toMatch(/^2027-03-01/);
  expect(() => repaired('keel')).toThrow(RangeError);
});
