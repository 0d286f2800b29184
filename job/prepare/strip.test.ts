import { USUAL_WEEK } from '#core/schedule/hours';
import { planRemoval } from '#core/prepare/removal';
import { FOUND_IDS, type FoundId } from '#core/products/families';
import { judgeStack } from '#core/layers/rules';
import { prepareItem } from '#core/prepare/stages';
import type { Job } from '#formats/job';
import type { LogEntry } from '#formats/log';
import { laidInWords, quoted } from '#job/offers';
import { planOf, withTakenOff } from '#job/plan';
import { comingBack } from '#job/return';
import { yardThatMorning } from '../../demo/that-morning';
import { panelCases, prepareSettings, strippingMin } from '.';

const yard = yardThatMorning();
const { document } = yard.jobs.find(({ id }) => id === 'teal-hatchback')!.draft;
const ids = document.surfaces.map(({ id }) => id);
const found = (existing: FoundId[], strip: readonly string[] = []): Job => ({
  ...document,
  surfaces: document.surfaces.map((surface) => ({ ...surface, existing })),
  prepare: { ...document.prepare, strip: [...strip] },
});
const stops = (job: Job) => planOf(job).findings.filter(({ severity }) => severity === 'stop').length;
const strips = (job: Job) =>
  prepareItem(panelCases(job), prepareSettings(job)).stages.find(({ kind }) => kind === 'strip-found');

test('last year’s coating is in the way; taken off as work, with its hours, nothing is refused and all is bought', () => {
  const coated = found(['ceramic']);
  expect(stops(coated)).toBeGreaterThan(20);
  expect(strips(coated)).toBeUndefined();
  const stripped = found(['ceramic'], ids);
  expect(stops(stripped)).toBe(stops(found([])));
  expect(planOf(stripped).purchases).toEqual(planOf(found([])).purchases);
  const stage = strips(stripped)!;
  // A coating on ten square metres of a small car, wheels and mirrors by the piece: a day at most for one person.
  expect(stage.minutes / 60).toBeGreaterThan(2);
  expect(stage.minutes / 60).toBeLessThan(10);
  const bonnet = stage.steps.find(({ surface }) => surface === 'bonnet')!;
  expect(bonnet.clearUm[1]).toBeGreaterThan(1);
  // The same is said before it is decided.
  expect(strippingMin(coated, ids)).toBeCloseTo(stage.minutes, 6);
  expect(strippingMin(stripped, ids)).toBeCloseTo(stage.minutes, 6);
  expect(bonnet.reason).toMatch(/comes off first: .*then/);
});

test('a topper over a coating is renewed alone: minutes instead of hours, no clear, and the coating stays', () => {
  const topped = found(['ceramic', 'topper']);
  const renewed = { ...topped, prepare: withTakenOff(topped.prepare, ids, 'top') };
  const stage = strips(renewed)!;
  expect(stage.minutes).toBeLessThan(strips(found(['ceramic', 'topper'], ids))!.minutes / 3);
  expect(stage.minutes).toBeCloseTo(strippingMin(topped, ids, 'top'), 6);
  // At the most a finishing polish, should neither wash nor wipe take it.
  for (const { clearUm } of stage.steps) expect(clearUm[1]).toBeLessThanOrEqual(1);
  for (const panel of panelCases(renewed)) expect(panel.existing).toEqual(['ceramic']);
  // Decided otherwise, it is decided once; one layer alone on a panel is all of it.
  expect(withTakenOff(renewed.prepare, ids, 'all')).toMatchObject({ strip: ids, renewTop: [] });
  expect(withTakenOff(renewed.prepare, ids, 'nothing')).toMatchObject({ strip: [], renewTop: [] });
  const paint = { substrate: 'clear-gloss' as const, existing: ['ceramic', 'paste-wax'] as const };
  const topper = yard.shelf.find(({ family }) => family === 'topper')!;
  const [judged] = judgeStack({ ...paint, layers: [topper] }, yard.shelf);
  const kinds = judged!.waysOut.map(({ kind }) => kind);
  expect([judged!.answer === 'no', kinds.includes('renew-top')]).toEqual([true, true]);
  const [onBase] = judgeStack({ ...paint, existing: ['ceramic-base', 'ceramic-top'], layers: [topper] }, yard.shelf);
  expect(onBase!.waysOut.map(({ kind }) => kind)).not.toContain('renew-top');
});

test('what taking it off may cost is kept in the ledger', () => {
  const told = (job: Job): Job => ({ ...job, surfaces: job.surfaces.map((surface) => ({ ...surface, clearUm: 45 })) });
  const ledger = (job: Job) =>
    prepareItem(panelCases(told(job)), prepareSettings(job)).panels.find(({ id }) => id === 'bonnet')!.ledger!;
  expect(ledger(found(['ceramic'], ids)).spareUm).toBeLessThan(ledger(found([])).spareUm);
  expect(ledger(found(['paste-wax'], ids)).removalsUm).toBeGreaterThanOrEqual(ledger(found([])).removalsUm);
});

test('law: taking a found layer off never makes more refusals, whatever it is', () => {
  for (const family of FOUND_IDS)
    expect([family, stops(found([family], ids)) <= stops(found([family]))]).toEqual([family, true]);
});

test('an offer takes off what is in its way and prices that', () => {
  const [offer] = yard.offers.filter(({ lines }) => lines.some(({ layers }) => layers.length > 1));
  const price = (job: Job) =>
    quoted(offer!, { document: job, shelf: yard.shelf, settings: prepareSettings(job), week: USUAL_WEEK });
  const [bare, waxed, coated] = [[], ['paste-wax'], ['ceramic']].map((existing) => price(found(existing as FoundId[])));
  expect(coated!.applied.filter(({ layers }) => layers.length > 0).length).toBe(
    bare!.applied.filter(({ layers }) => layers.length > 0).length,
  );
  expect(coated!.stripped.length).toBeGreaterThan(20);
  expect(waxed!.price.hours).toBeGreaterThan(bare!.price.hours + 0.3);
  expect(coated!.price.hours).toBeGreaterThan(waxed!.price.hours);
});

test('a base and its top come off together and are counted once; film by its age', () => {
  const layer = (family: FoundId, years = 1) => ({
    name: family,
    family,
    ageMonths: 12 * years,
    hard: true,
    lifeMonths: 60,
  });
  const off = (...layers: ReturnType<typeof layer>[]) => planRemoval({ substrate: 'clear-gloss', areaM2: 10, layers });
  expect(off(layer('ceramic-base'), layer('ceramic-top')).expectedMin).toBe(off(layer('ceramic-top')).expectedMin);
  expect(off(layer('ceramic-primer'), layer('ceramic-base'), layer('ceramic-top')).expectedClearUm).toBe(
    off(layer('ceramic-top')).expectedClearUm,
  );
  const pull = (years: number) => off(layer('film', years)).layers[0]!.steps[0]!.minutes / 10;
  expect([pull(0), pull(3), pull(6)]).toEqual([35, 60, 90]);
  expect(pull(7.5)).toBe(105);
});

test('what is decided to come off lies there until its stripping is finished, panel by panel', () => {
  const job = found(['paste-wax'], ['bonnet', 'roof', 'bumper-front']);
  const stage = { kind: 'strip-found', round: 1 } as const;
  const log = (...entries: LogEntry['entry'][]): LogEntry[] =>
    entries.map((entry, nth) => ({
      seq: nth + 1,
      id: `e${nth}`,
      at: new Date(Date.parse(job.startAt) + nth * 60_000).toISOString(),
      recordedAt: job.startAt,
      entry,
    }));
  const lies = (...entries: LogEntry['entry'][]) =>
    comingBack(job, log(...entries))
      .surfaces.filter(({ existing }) => existing.length > 0)
      .map(({ id }) => id);
  const others = ids.filter((id) => !['bonnet', 'roof', 'bumper-front'].includes(id));
  const start = { type: 'stage-start', stage, predictedMin: 30 } as const;
  const ticked = { type: 'stage-panel', stage, surface: 'bonnet' } as const;
  const left = { type: 'left-out', surface: 'roof', reason: 'damaged' } as const;
  expect(lies()).toEqual(ids);
  expect(lies(start, { type: 'stage-pause', stage, reason: 'no-power' })).toEqual(ids);
  expect(lies(start, ticked)).toEqual(ids.filter((id) => id !== 'bonnet'));
  expect(lies(start, { type: 'stage-end', stage })).toEqual(others);
  expect(lies(start, left, { type: 'stage-end', stage })).toEqual(
    ids.filter((id) => id === 'roof' || others.includes(id)),
  );
  const skipped: Job = { ...job, prepare: { ...job.prepare, leftOut: ['strip-found'] } };
  expect(
    comingBack(skipped, log(start, { type: 'stage-end', stage })).surfaces.map(({ existing }) => existing),
  ).toEqual(ids.map(() => ['paste-wax']));
});

test('a film that stays is what is prepared: nothing is taken from the paint below it', () => {
  const filmed = { ...found(['film']), prepare: { ...document.prepare, level: 'full' as const } };
  const { panels } = prepareItem(panelCases(filmed), prepareSettings(filmed));
  for (const { ledger, steps } of panels) {
    expect(ledger).toBeUndefined();
    expect(steps.filter(({ clearUm }) => clearUm[1] > 0.2)).toEqual([]);
  }
});

test('an owner is told what comes off first', () => {
  const [offer] = yard.offers.filter(({ lines }) => lines.some(({ layers }) => layers.length > 1));
  const job = found(['ceramic']);
  const quote = quoted(offer!, { document: job, shelf: yard.shelf, settings: prepareSettings(job), week: USUAL_WEEK });
  expect(laidInWords(quote, job.surfaces, yard.shelf)[0]).toMatch(/^What was found comes off first: \d+ panels/);
});
