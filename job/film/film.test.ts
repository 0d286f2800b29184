import { nest, nestOnRolls } from '#core/film/nest';
import { boundingBox, shapeAreaM2 } from '#core/item/geometry';
import { templateById } from '#core/item/nets';
import type { Job, JobDraft, JobInput, Surface } from '#formats/job';
import { firstSurfaces, keepRolls, layFilm, laySet, panelsInSet, takeFilmOff, wrapEdge } from '#job/edit';
import { product } from '../../core/testing/samples';
import { plainJob } from '../testing/plain-job';
import {
  cutFilm,
  filmRolls,
  filmWork,
  firstNest,
  jobCuts,
  movedToRoll,
  nestCaseOf,
  nestsOf,
  outlineOf,
  rollWidthsOf,
  stockFirst,
} from './index';
import { planOf } from '#job/plan';

const HATCHBACK = templateById('hatchback')!;
const film = (more: object = {}) => ({
  ...product({ family: 'film', unit: 'm2', milestones: [] }),
  id: 'clear',
  substrates: {
    'clear-gloss': { use: 'yes' as const },
    'gloss-black': { use: 'yes' as const },
    'lens-plastic': { use: 'yes' as const },
  },
  packs: [
    { size: 7.6, price: 42_000 },
    { size: 22.8, price: 114_000 },
  ],
  film: { thicknessUm: 200, finish: 'gloss', rollWidthsMm: [610, 1524], stretchPct: 45, maxSurfaceC: 60, ...more },
});
type Parts = Partial<JobInput>;
const draftWith = (panels: readonly string[], more: Parts = {}, sheet: object = film()): JobDraft =>
  plainJob({
    products: [sheet as NonNullable<Parts['products']>[number]],
    item: { name: 'Car', template: { id: 'hatchback', ...HATCHBACK.usual } },
    surfaces: firstSurfaces(HATCHBACK, HATCHBACK.usual).map((surface) => ({
      ...surface,
      layers: panels.includes(surface.id) ? [{ product: 'clear' }] : [],
    })),
    ...more,
  });
const sheetOf = ({ document }: JobDraft) => document.products.find(({ id }) => id === 'clear')!;
const jobWith = (...args: Parameters<typeof draftWith>): Job => draftWith(...args).document;

describe('the film of a job', () => {
  test('is what its panels with film take, at the price of the cheapest pack', () => {
    const [work] = filmWork(jobWith(['bonnet', 'mirror-left', 'mirror-right']));
    expect(work!.blanks.map(({ id }) => id).sort()).toEqual(['bonnet', 'mirror-left', 'mirror-right']);
    expect(work!.moneyPerM2).toBeCloseTo(5000, 6);
    expect(work!.widthMm).toBe(1524);
    expect(filmWork(jobWith([]))).toEqual([]);
  });
  test('a small bonnet takes one to one and a half square metres, its mirrors a few hands', () => {
    const [work] = filmWork(jobWith(['bonnet', 'mirror-left']));
    const areas = new Map(work!.blanks.map(({ id, areaM2 }) => [id, areaM2]));
    expect(areas.get('bonnet')).toBeGreaterThan(0.9);
    expect(areas.get('bonnet')).toBeLessThan(1.6);
    expect(areas.get('mirror-left')).toBeLessThan(0.12);
  });
  test('left and right are two pieces: neither is the other turned', () => {
    const [work] = filmWork(jobWith(['front-wing-left', 'front-wing-right']));
    const [left, right] = work!.blanks;
    const ratio = ({ outline }: { outline: readonly (readonly [number, number])[] }) =>
      outline.map(([x]) => x.toFixed(0)).join();
    expect(left!.id).not.toBe(right!.id);
    expect(ratio(left!)).not.toBe(ratio(right!));
  });
  test('with a grain it is turned by a half only; bulk may lie a little askew and is larger', () => {
    const turns = (job: Job) => filmWork(job)[0]!.pieces[0]!.turns;
    expect(turns(jobWith(['bonnet']))).toEqual([0, 90, 180, 270]);
    expect(turns(jobWith(['bonnet'], {}, film({ grain: true })))).toEqual([0, 180]);
    const bulk = jobWith(['bonnet'], { schools: { film: 'bulk' } });
    expect(turns(bulk)).toHaveLength(8);
    expect(filmWork(bulk)[0]!.areaM2).toBeGreaterThan(filmWork(jobWith(['bonnet']))[0]!.areaM2);
  });
  test('a kept nest is cut as it lies; what the job no longer has is left out, what is new is missing', () => {
    const job = jobWith(['bonnet', 'mirror-left']);
    const [work] = filmWork(job);
    const { placements } = nest(nestCaseOf(work!, firstNest(work!)), () => true);
    const kept = { product: 'clear', widthMm: 1524, cutter: 'plotter' as const, placements: [...placements] };
    const [cut] = jobCuts({ ...job, film: [kept] });
    expect([cut!.plan.pieces.length, cut!.missing]).toEqual([2, []]);
    const changed = jobWith(['bonnet', 'mirror-right'], { film: [kept] });
    expect(jobCuts(changed)[0]).toMatchObject({ missing: ['mirror-right/1'] });
    // The bonnet has grown by its trim: it lies in the mirror now, or off the roll's edge.
    const grown = jobWith(['bonnet', 'mirror-left'], { film: [kept], schools: { film: 'bulk' } });
    expect(jobCuts(grown)[0]!.notClear.length).toBeGreaterThan(0);
    expect(cut!.notClear).toEqual([]);
    const flawed = { remaining: 20, flaws: [{ fromMm: 0, toMm: 50, lowMm: 0, highMm: 1524 }] };
    const onRoll = { ...job, film: [{ ...kept, thing: 'roll' }] };
    expect(jobCuts(onRoll, () => flawed)[0]!.notClear.length).toBeGreaterThan(0);
    expect(jobCuts(onRoll, () => ({ remaining: 0.1 }))[0]!.notClear.length).toBeGreaterThan(0);
    expect(jobCuts(changed)[0]!.plan.pieces.map(({ id }) => id)).toEqual(['bonnet']);
  });
  test('an edge set by hand stands, by its place; film goes under what lies there and comes off alone', () => {
    const draft = draftWith(['bonnet']);
    const job = draft.document;
    const bonnet = job.surfaces.find(({ id }) => id === 'bonnet')!;
    const edges = (document: Job) => filmWork(document)[0]!.blanks[0]!.edges;
    const before = edges(job);
    const after = wrapEdge(bonnet, before[0]!, !before[0]!.wraps)(draft);
    expect(edges(after.document)[0]!.wraps).toBe(!before[0]!.wraps);
    const shelf = job.products;
    const coated = { ...bonnet, layers: [{ product: 'coat', coats: 1, method: 'small-block' as const }] };
    const laid = layFilm([coated], 'clear', shelf)(draft);
    const layers = laid.document.surfaces.find(({ id }) => id === 'bonnet')!.layers.map((layer) => layer.product);
    expect(layers).toEqual(['clear', 'coat']);
    const bare = takeFilmOff(
      [{ ...coated, layers: laid.document.surfaces.find(({ id }) => id === 'bonnet')!.layers }],
      shelf,
    )(draft);
    expect(bare.document.surfaces.find(({ id }) => id === 'bonnet')!.layers.map((layer) => layer.product)).toEqual([
      'coat',
    ]);
  });
  test('on the net a door is wrapped into its shut lines, not where its glass begins', () => {
    const [door] = filmWork(jobWith(['front-door-left']))[0]!.blanks;
    const middleX = ({ points }: { points: readonly (readonly [number, number])[] }) =>
      points.reduce((sum, [x]) => sum + x, 0) / points.length;
    const bare = door!.edges.filter(({ wraps }) => !wraps);
    expect([door!.edges.length, bare.length]).toEqual([4, 1]);
    // The long edge under the glass, not one of the two that open and hinge.
    const xs = door!.outline.map(([x]) => x);
    expect(Math.abs(middleX(bare[0]!) - (Math.min(...xs) + Math.max(...xs)) / 2)).toBeLessThan(50);
  });
  test('wear spots: strips are split off the doors and the bumper, film on them alone, wrapped round the edge that is struck', () => {
    const draft = draftWith([]);
    const { surfaces } = draft.document;
    const count = panelsInSet('wear-spots', surfaces, sheetOf(draft));
    const after = laySet('wear-spots', surfaces, sheetOf(draft), draft.document.products)(draft).document;
    const onFilm = after.surfaces.filter(({ layers }) => layers.length > 0);
    expect(onFilm).toHaveLength(count);
    // Sills are of textured plastic, which the sheet does not name.
    expect(onFilm.map(({ id }) => id)).not.toContain('sill-left');
    expect(after.surfaces).toHaveLength(surfaces.length + 5);
    const strip = after.surfaces.find(({ id }) => id === 'rear-door-edge-left')!;
    expect([strip.name, strip.layers.length]).toEqual(['Rear door edge, left', 1]);
    expect(after.surfaces.find(({ id }) => id === 'rear-door-left')!.layers).toEqual([]);
    const area = (all: readonly Surface[]) => all.reduce((sum, { shape }) => sum + shapeAreaM2(shape), 0);
    expect(area(after.surfaces)).toBeCloseTo(area(surfaces), 3);
    const blanks = filmWork(after)[0]!.blanks;
    const wrapped = (id: string) => blanks.find((blank) => blank.panel === id)!.edges.map(({ wraps }) => wraps);
    // Wrapped into the shut line; not where the door goes on.
    expect(wrapped('front-door-edge-left')).toContain(true);
    expect(wrapped('front-door-edge-left')).toContain(false);
    // A strip of some 25 mm by the height of a door, and what is wrapped.
    const { areaM2 } = blanks.find(({ panel }) => panel === 'front-door-edge-left')!;
    expect(areaM2).toBeGreaterThan(0.015);
    expect(areaM2).toBeLessThan(0.05);
    // Asked for again, nothing is split anew.
    expect(panelsInSet('wear-spots', after.surfaces, sheetOf(draft))).toBe(count);
    const again = laySet(
      'wear-spots',
      after.surfaces,
      sheetOf(draft),
      draft.document.products,
    )({ ...draft, document: after });
    expect(again.document.surfaces).toHaveLength(after.surfaces.length);
  });
  test('every edge of a panel can be set, whatever it was measured by and however curved', () => {
    const draft = plainJob({
      products: [film() as NonNullable<Parts['products']>[number]],
      surfaces: [
        {
          id: 'lid',
          substrate: 'clear-gloss',
          shape: { kind: 'rectangle', aMm: 800, bMm: 500 },
          curvature: 1.3,
          layers: [{ product: 'clear' }],
        },
      ],
    });
    const edges = (job: Job) => filmWork(job)[0]!.blanks[0]!.edges;
    for (const { index } of edges(draft.document)) {
      const [lid] = draft.document.surfaces;
      const { document } = wrapEdge(lid!, edges(draft.document)[index]!, false)(draft);
      expect(edges(document).map(({ wraps }) => wraps)).toEqual([0, 1, 2, 3].map((each) => each !== index));
    }
  });
  test('what one roll does not hold is passed on to the next, and each film has its own rolls', () => {
    const panels = ['bonnet', 'front-wing-left', 'front-wing-right', 'mirror-left', 'mirror-right'];
    const draft = draftWith(panels, {}, film({ grain: true }));
    const [work] = filmWork(draft.document);
    const things = [
      { id: 'roll', remaining: 2, rollMm: 1524 },
      { id: 'offcut', remaining: 0.3, rollMm: 500, offcutOf: 'old' },
      { id: 'empty', remaining: 0, rollMm: 1524 },
      { id: 'unknown', remaining: 9 },
    ];
    const rollOf = (id: string) => things.find((thing) => thing.id === id);
    const order = stockFirst(work!, { rolls: [], missing: [] }, things);
    expect(order.map(({ thing, widthMm }) => [thing, widthMm])).toEqual([
      ['offcut', 500],
      ['roll', 1524],
      [undefined, 1524],
    ]);
    const cases = order.map((each) => nestCaseOf(work!, each, each.thing ? rollOf(each.thing) : undefined));
    const found = nestOnRolls(cases, () => true);
    const nests = order.map((each, index) => ({ ...each, placements: [...found[index]!.placements] }));
    const kept = keepRolls(draft.document, 'clear', nests)(draft);
    const { rolls, missing } = filmRolls(work!, nestsOf(kept.document, 'clear'), rollOf);
    expect(missing).toEqual([]);
    expect(rolls[0]!.placements.map(({ id }) => id).sort()).toEqual(['mirror-left', 'mirror-right']);
    for (const { notClear, plan, onRoll } of rolls) {
      expect(notClear).toEqual([]);
      expect(plan.lengthMm).toBeLessThanOrEqual(onRoll.rollLengthMm ?? Infinity);
    }
    // All of it is to be had, so what is to buy is what is nested on no roll in hand.
    const cut = cutFilm(kept.document).get('clear')!;
    const lengths = rolls.map(({ plan, nest }) => (plan.lengthMm * nest.widthMm) / 1e6);
    expect(cut.wholeM2).toBeCloseTo(
      lengths.reduce((sum, each) => sum + each, 0),
      9,
    );
    expect(cut.toBuyM2).toBeCloseTo(lengths.at(-1)!, 9);
    const [bought] = planOf(kept.document).purchases;
    expect([bought!.need, bought!.order]).toEqual([cut.wholeM2, cut.wholeM2]);
    expect(planOf(draft.document).purchases[0]!.order).not.toBeCloseTo(cut.wholeM2, 3);
    // A mirror taken to the last roll leaves the offcut, and stays where it is put.
    const moved = movedToRoll({ rolls, missing }, 'mirror-left/1', 2)!;
    expect(moved.map(({ placements }) => placements.some(({ id }) => id === 'mirror-left'))).toEqual([
      false,
      false,
      true,
    ]);
    expect(moved[2]!.pinned).toEqual(['mirror-left/1']);
    expect(movedToRoll({ rolls, missing }, 'bonnet/1', 0)).toBeUndefined();
    // What was cut stays as it was cut, whatever is left of its roll.
    const after = filmRolls(work!, nests, () => ({ remaining: 0 }), new Set(['roll']));
    expect(after.rolls.map(({ isCut, notClear }) => [isCut, notClear.length > 0])).toEqual([
      [false, true],
      [true, false],
      [false, false],
    ]);
    // A blank that is not on any roll yet leaves the amount to be estimated.
    const more = keepRolls(kept.document, 'clear', nests.slice(0, 2))(kept);
    expect(cutFilm(more.document).size).toBe(0);
  });
  test('a partial front splits bonnet and wings behind half a metre once, and leaves whole what has film already', () => {
    const draft = draftWith(['bonnet']);
    const shelf = draft.document.products;
    const filmed = (job: Job) => filmWork(job)[0]!.blanks.map(({ id }) => id);
    const lay = (from: JobDraft) => laySet('partial-front', from.document.surfaces, sheetOf(draft), shelf)(from);
    const once = lay(draft);
    expect(filmed(once.document).filter((id) => /^(bonnet|front-wing)/.test(id))).toEqual([
      'bonnet',
      'front-wing-a-left',
      'front-wing-a-right',
    ]);
    const strip = once.document.surfaces.find(({ id }) => id === 'front-wing-a-left')!;
    const { minX, maxX } = boundingBox(outlineOf(strip));
    expect(maxX - minX).toBeCloseTo(500, 3);
    const twice = lay(once);
    expect(filmed(twice.document)).toEqual(filmed(once.document));
    const bare = lay(draftWith([]));
    expect(filmed(bare.document).filter((id) => id.startsWith('bonnet'))).toEqual(['bonnet-a']);
    expect(panelsInSet('partial-front', draft.document.surfaces, sheetOf(draft))).toBe(7 + 3);
  });
  test('panels that are left alone have no film', () => {
    const job = jobWith(['bonnet', 'mirror-left'], {
      prepare: { scope: [{ surface: 'bonnet', state: 'excluded', reason: 'the owner films it' }] },
    });
    expect(filmWork(job)[0]!.blanks.map(({ id }) => id)).toEqual(['mirror-left']);
    expect(rollWidthsOf(job.products[0]!)).toEqual([1524, 610]);
  });
});
