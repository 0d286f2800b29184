/** What the stations make of a job before anything is drawn: lenses, bars, words and sums, over the sample workshop. */
import fc from 'fast-check';
import { planRemoval } from '#core/prepare/removal';
import { MARK_KIND_IDS, MARK_SEVERITIES } from '#core/survey/condition';
import { polygonAreaM2 } from '#core/item/geometry';
import { arrange } from '#core/item/nets';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { FAMILY_IDS } from '#core/products/families';
import { millilitres } from '#core/products/sheets';
import { NO_KIT } from '#core/prepare/kit';
import { isDone, stageKey } from '#core/prepare/stages';
import { foldLog, runSheet } from '#core/lay/run';
import type { Surface } from '#formats/job';
import { loggedEntries } from '#formats/log';
import { judgeLayers } from '#job/judge';
import { planInput, planOf } from '#job/plan';
import { prepareSettings } from '#job/prepare';
import { preparedWith } from '#job/view';
import { yardThatMorning } from '../../demo/that-morning';
import { familyFill, groundOf } from '../core-sample/strata';
import { kindOf, KINDS } from '../net/fills';
import { totalRemoval } from './care/totals';
import { amountInHand } from '../material/product-words';
import { RUN_LEGEND, runLens } from './run/run-lens';
import { STAGE_LEGEND, stageLens } from './run/stage-lens';
import { CONDITION_LEGEND, conditionLens, THICKNESS_LEGEND, thicknessLens } from './survey/condition/condition-lens';
import { kindLegend, kindLens } from './survey/measure/kind-lens';
import { cureBars } from './time/cure-bars';

const yard = yardThatMorning();
const sample = (id: string) => yard.jobs.find((job) => job.id === id)!;
const hatchback = sample('teal-hatchback').draft.document;

describe('lenses', () => {
  test('paint nothing that their legend does not explain', () => {
    const inLegend = (legend: readonly { fill: string }[]) => new Set(legend.map(({ fill }) => fill));
    const looks = [
      [kindLens(hatchback.surfaces), inLegend(kindLegend)],
      [conditionLens(hatchback.surfaces), inLegend(CONDITION_LEGEND)],
      [thicknessLens(hatchback.surfaces), inLegend(THICKNESS_LEGEND)],
    ] as const;
    for (const [lens, explained] of looks) {
      for (const { id } of hatchback.surfaces) expect([id, explained.has(lens(id).fill)]).toEqual([id, true]);
      expect(explained.has(lens('not there').fill)).toBe(true);
    }
  });

  test('show every mark in its place, heavier ones larger, and the gravest as the panel’s own', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    const mark = fc.record({
      id: fc.uuid(),
      kind: fc.constantFrom(...MARK_KIND_IDS),
      severity: fc.constantFrom(...MARK_SEVERITIES),
      at: fc.tuple(share, share),
    });
    fc.assert(
      fc.property(fc.array(mark, { maxLength: 12 }), (marks) => {
        const surface = { ...hatchback.surfaces[0]!, marks } as Surface;
        const { fill, spots } = conditionLens([surface])(surface.id);
        expect(spots!.map(({ at }) => at)).toEqual(marks.map(({ at }) => at));
        const heavy = marks.some(({ severity }) => severity === 'heavy');
        expect(spots!.some(({ size }) => size === 'large')).toBe(heavy);
        expect(fill === 'blank').toBe(marks.length === 0);
        expect(fill === 'warn').toBe(heavy);
      }),
    );
  });

  test('a stage shows each panel it wants, by whether it is through with it, and no other', () => {
    const { stages } = preparedWith(hatchback, prepareSettings(hatchback, undefined, NO_KIT)).preparation;
    const explained = new Set<string>(STAGE_LEGEND.map(({ fill }) => fill));
    for (const stage of stages) {
      const wanted = stage.steps.filter(isDone).map(({ surface }) => surface);
      const ref = { kind: stage.kind, round: stage.round };
      const through = wanted.filter((_, nth) => nth % 2 === 0);
      const { stages: records } = foldLog(
        [
          { type: 'stage-start', stage: ref, predictedMin: stage.minutes } as const,
          ...through.map((surface) => ({ type: 'stage-panel', stage: ref, surface }) as const),
        ].map((entry, nth) => ({ id: `s${nth}`, atMin: nth, entry })),
      );
      const lens = stageLens(stage, records.get(stageKey(stage)));
      for (const { id } of hatchback.surfaces) {
        const { fill, sign } = lens(id);
        expect(explained.has(fill)).toBe(true);
        expect([id, fill === 'blank', sign === 'done']).toEqual([id, !wanted.includes(id), through.includes(id)]);
      }
      expect(wanted.every((id) => stageLens(stage, undefined)(id).fill === 'tint-4')).toBe(true);
    }
  });

  test('a run shows each patch where it lies: strips add up to the panel, one of them in hand', () => {
    const { draft, log } = sample('teal-hatchback');
    const planned = planInput(draft.document);
    const sheet = runSheet(planned, foldLog(loggedEntries(draft.document.startAt, log)), 62);
    const arrangement = arrange(draft.document);
    const lens = runLens(sheet, arrangement, sheet.current);
    const explained = new Set<string>(RUN_LEGEND.map(({ fill }) => fill));
    let flashing = 0;
    for (const { id, outline } of arrangement.panels) {
      const { fill, parts = [] } = lens(id);
      for (const shown of parts.length > 0 ? parts.map((part) => part.fill) : [fill])
        expect([shown, explained.has(shown)]).toEqual([shown, true]);
      if (parts.length > 0) {
        const whole = parts.reduce((sum, part) => sum + polygonAreaM2(part.outline), 0);
        expect(whole).toBeCloseTo(polygonAreaM2(outline), 4);
      }
      flashing += [fill, ...parts.map((part) => part.fill)].filter((each) => each === 'flash').length;
    }
    expect(flashing).toBe(1);
  });
});

describe('the core sample', () => {
  test('has a ground for every kind of surface, and a reserve only where something may be polished', () => {
    for (const substrate of SUBSTRATE_IDS) {
      const strata = groundOf({ substrate, clearUm: 40 });
      expect(strata.length).toBeGreaterThan(0);
      const reserve = strata.some(({ reserveShare }) => reserveShare !== undefined);
      if (reserve) expect([substrate, SUBSTRATES[substrate].polishable]).toEqual([substrate, true]);
      expect(KINDS[kindOf(substrate)]).toBeDefined();
    }
    for (const family of FAMILY_IDS) expect(familyFill(family)).not.toBe('flash');
  });

  test('draws the reserve lower in thicker clear, and says when nobody knows', () => {
    const reserve = (clearUm: number | undefined) => groundOf({ substrate: 'clear-gloss', clearUm })[0]!;
    const shares = [20, 25, 40, 60].map((um) => reserve(um).reserveShare!);
    expect(shares).toEqual([1, 1, 0.625, 25 / 60]);
    expect(reserve(undefined).detail).toMatch(/not known/);
  });
});

describe('figures on the screen', () => {
  test('a bar runs from the first stroke of a product to the last moment it cures, and the latest is the job’s', () => {
    for (const { draft } of yard.jobs) {
      const plan = planOf(draft.document);
      const bars = cureBars(planInput(draft.document), plan, draft.document.products, 1.5);
      expect(bars).toHaveLength(plan.purchases.length);
      for (const { startMin, endMin, waterSafeMin, handoverMin, handoverRangeMin } of bars) {
        expect(endMin).toBeGreaterThan(startMin);
        const [early, late] = handoverRangeMin.map((min) => min ?? Infinity);
        expect(early).toBeLessThanOrEqual((handoverMin ?? Infinity) + 1e-6);
        expect(late).toBeGreaterThanOrEqual((handoverMin ?? Infinity) - 1e-6);
        if (waterSafeMin !== null) expect(waterSafeMin).toBeGreaterThanOrEqual(endMin - 1e-9);
      }
      const last = bars.map(({ handoverMin }) => handoverMin);
      if (bars.length > 0 && !last.includes(null))
        expect(Math.max(...(last as number[]))).toBeCloseTo(plan.handoverMin!, 6);
    }
  });

  test('an amount in the hand is counted as it is put on', () => {
    const [spray] = yard.shelf.filter(({ family }) => family === 'spray-coating');
    const [wax] = yard.shelf.filter(({ unit }) => unit === 'g');
    const [film] = yard.shelf.filter(({ unit }) => unit === 'm2');
    const [drops] = yard.shelf.filter(({ family }) => family === 'ceramic-base');
    expect(amountInHand(spray!, 'sprayed', 7.2)).toBe('7 sprays');
    expect(amountInHand(drops!, 'small-block', 1.2)).toBe('24 drops');
    expect(amountInHand(drops!, 'big-mitt', 9)).toBe('9.0 ml');
    expect(amountInHand(wax!, 'machine', 4.25)).toBe('4.3 g');
    expect(amountInHand(film!, 'small-block', 1.2)).toBe('1.20 m²');
    expect(millilitres(film!, 3)).toBe(0);
  });

  test('several removals come to their sum, each thing used once and each warning told once', () => {
    const one = planRemoval({
      substrate: 'clear-gloss',
      areaM2: 1,
      layers: [{ name: 'Base', family: 'ceramic-base', ageMonths: 24, hard: true, lifeMonths: 48 }],
    });
    const total = totalRemoval([one, one, one]);
    expect(total.minutes).toBeCloseTo(3 * one.expectedMin, 9);
    expect(new Set(total.uses.map(({ what }) => what)).size).toBe(total.uses.length);
    for (const { what, amount } of total.uses) {
      const single = one.layers.flatMap(({ uses }) => uses).find((use) => use.what === what)!;
      expect(amount).toBeCloseTo(3 * single.amount, 9);
    }
    expect(total.warnings).toEqual([...new Set(one.warnings)]);
    expect(totalRemoval([])).toEqual({ minutes: 0, uses: [], warnings: [] });
  });

  test('a layer of several coats is answered by its strictest coat', () => {
    const ground = { substrate: 'clear-gloss' as const, existing: [], refinishedAtMin: undefined };
    const judge = (product: string, coats: number) => judgeLayers(ground, [{ product, coats }], yard.shelf)[0]!.answer;
    expect(judge('ledger-base', 1)).toBe('yes');
    // Its sheet does not name itself among what it may lie on.
    expect(judge('ledger-base', 2)).toBe('no');
    expect(judge('keelstone', 2)).toBe('yes');
    const fresh = { ...ground, refinishedAtMin: -10 * 1440 };
    const [judgement] = judgeLayers(fresh, [{ product: 'keelstone', coats: 1 }], yard.shelf);
    expect(judgement!.waysOut).toContainEqual({ kind: 'wait', days: 50 });
  });
});
