/** Whatever is edited, in whatever order, the draft stays a job that can be read, and nothing else changes. */
import fc from 'fast-check';
import { TEMPLATES } from '#core/item/nets';
import { type Bay, type Job, type JobDraft, readJob } from '#formats/job';
import { readProduct } from '#formats/shelf';
import { DEMO_SHELF } from '../../demo/shelf';
import { yardThatMorning } from '../../demo/that-morning';
import { plainJob } from '../testing/plain-job';
import {
  addMark,
  addReadings,
  addSurface,
  blankSurface,
  changeDocument,
  changeMark,
  changeOwner,
  changePrepare,
  changeSurface,
  changeSurfaces,
  changeWishes,
  copyToTwin,
  type Edit,
  firstSurfaces,
  freeId,
  moveToBay,
  placedReadings,
  removeMark,
  removeSurface,
  setAgreed,
  setLayers,
  setReadings,
  setStacks,
  startAt,
  stripFirst,
  takeSheet,
  typeAir,
} from '.';

const shelf = DEMO_SHELF.map(readProduct);
const yard = yardThatMorning();
const bays: readonly Bay[] = yard.bays.map((bay) => ({ ...bay, version: 1 }));
const hatchback = TEMPLATES.find(({ id }) => id === 'hatchback')!;
const item = { id: 'one', name: 'Hatchback', template: { id: 'hatchback', ...hatchback.usual } };
const begun = (): JobDraft => plainJob({ surfaces: firstSurfaces(hatchback, hatchback.usual), item });
const ids = begun().document.surfaces.map(({ id }) => id);

const anId = fc.constantFrom(...ids);
const place = fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }));
const aStack = fc
  .array(fc.record({ product: fc.constantFrom(...shelf.map(({ id }) => id)), coats: fc.integer({ min: 1, max: 3 }) }), {
    maxLength: 3,
  })
  .map((layers) => layers.map((layer) => ({ ...layer, method: 'small-block' as const })));
const aMark = fc.record({
  id: fc.constantFrom('m1', 'm2', 'm3'),
  kind: fc.constantFrom('swirls', 'chip', 'etching'),
  severity: fc.constantFrom('light', 'medium', 'heavy'),
  at: place,
}) as fc.Arbitrary<Parameters<typeof addMark>[1]>;
const aReading = fc.record({
  um: fc.integer({ min: 0, max: 900 }),
  at: fc.option(place, { nil: undefined }),
  source: fc.constantFrom('typed', 'instrument', 'simulated', undefined),
});
const aBay = fc.constantFrom(...bays);

/** Any of the edits, with anything it may be given. */
const anEdit: fc.Arbitrary<Edit> = fc.oneof(
  fc
    .record({ id: anId, tone: fc.constantFrom('pale', 'mid', 'dark') })
    .map(({ id, tone }) => changeSurface(id, { colour: { tone } })),
  fc.tuple(anId, aMark).map(([id, mark]) => addMark(id, mark)),
  fc.tuple(anId, fc.constantFrom('m1', 'm2')).map(([id, mark]) => changeMark(id, mark, { severity: 'heavy' })),
  fc.tuple(anId, fc.constantFrom('m1', 'm2')).map(([id, mark]) => removeMark(id, mark)),
  fc
    .array(fc.tuple(anId, aReading), { maxLength: 5 })
    .map((all) => addReadings(all.map(([surface, reading]) => ({ surface, ...reading })))),
  fc.tuple(anId, fc.array(aReading, { maxLength: 4 })).map(([id, readings]) => setReadings(id, readings)),
  fc.tuple(fc.subarray(ids, { minLength: 1 }), aStack).map(([some, stack]) => setLayers(some, stack, shelf)),
  fc.array(fc.tuple(anId, aStack), { maxLength: 4 }).map((stacks) => setStacks(new Map(stacks), shelf)),
  anId.map(copyToTwin),
  anId.map(removeSurface),
  fc.subarray(ids, { minLength: 1 }).map((some) => stripFirst(some)),
  fc.subarray(ids, { minLength: 1 }).map((some) => changeSurfaces(some, { touch: 'rough' })),
  fc.constantFrom('street', 'coastal').map((parking) => changeOwner({ parking })),
  fc.constantFrom('none', 'one-step', 'full').map((level) => changePrepare({ level })),
  fc.integer({ min: 1, max: 4 }).map((mostLayers) => changeWishes({ mostLayers })),
  aBay.map(moveToBay),
  fc
    .tuple(fc.integer({ min: 0, max: 5000 }), fc.option(aBay, { nil: undefined }))
    .map(([minutes, bay]) =>
      startAt(new Date(Date.parse('2027-03-02T08:00:00Z') + minutes * 60_000).toISOString(), bay),
    ),
  fc
    .tuple(fc.integer({ min: -10, max: 45 }), fc.integer({ min: 5, max: 95 }), fc.option(aBay, { nil: undefined }))
    .map(([airC, rhPct, bay]) => typeAir({ airC, rhPct, airSpeed: 0.1 }, bay)),
  fc.string({ minLength: 1, maxLength: 40 }).map((words) => changeDocument({ title: `Job ${words}` })),
);

test('any run of edits leaves a job that can be read, and whose sheets are those its layers name', () => {
  fc.assert(
    fc.property(fc.array(anEdit, { minLength: 1, maxLength: 14 }), (edits) => {
      const { document } = edits.reduce((draft, edit) => edit(draft), begun());
      expect(() => readJob(JSON.parse(JSON.stringify(document)))).not.toThrow();
      const named = new Set(document.surfaces.flatMap(({ layers }) => layers.map(({ product }) => product)));
      expect(document.products.map(({ id }) => id).toSorted()).toEqual([...named].toSorted());
      for (const surface of document.surfaces) expect(placedReadings(surface)).toHaveLength(surface.readingsUm.length);
    }),
    { numRuns: 60 },
  );
});

test('an edit changes nothing of the draft it was made from, so that undo is the draft before', () => {
  fc.assert(
    fc.property(fc.array(anEdit, { minLength: 1, maxLength: 6 }), (edits) => {
      let draft = begun();
      for (const edit of edits) {
        const before = JSON.stringify(draft);
        const next = edit(draft);
        expect(JSON.stringify(draft)).toBe(before);
        draft = next;
      }
    }),
    { numRuns: 60 },
  );
});

const surfaceOf = ({ document }: JobDraft, id: string) => document.surfaces.find((surface) => surface.id === id)!;

describe('what each edit is for', () => {
  test('a stack on many panels brings its sheets, and the last one to name a sheet takes it along', () => {
    const laid = setLayers(
      ['bonnet', 'roof'],
      [{ product: 'keelstone', coats: 1, method: 'small-block' }],
      shelf,
    )(begun());
    expect(laid.document.products.map(({ id }) => id)).toEqual(['keelstone']);
    const half = setLayers(['bonnet'], [], shelf)(laid);
    expect(half.document.products).toHaveLength(1);
    expect(setLayers(['roof'], [], shelf)(half).document.products).toEqual([]);
    expect(removeSurface('roof')(half).document.products).toEqual([]);
  });

  test('a newer sheet is taken only where one is asked, and its layers stay', () => {
    const laid = setLayers(['bonnet'], [{ product: 'keelstone', coats: 2, method: 'machine' }], shelf)(begun());
    const [own] = laid.document.products;
    const taken = takeSheet({ ...own!, ratedMonths: 99 })(laid);
    expect(taken.document.products[0]!.ratedMonths).toBe(99);
    expect(surfaceOf(taken, 'bonnet').layers).toEqual(surfaceOf(laid, 'bonnet').layers);
    expect(takeSheet({ ...own!, id: 'another' })(laid).document.products).toEqual(laid.document.products);
  });

  test('copying to the other side copies what a panel is, and hides no difference that was seen', () => {
    const marked = addMark('front-door-left', { id: 'm1', kind: 'swirls', severity: 'light', at: [0.5, 0.5] })(begun());
    const painted = changeSurface('front-door-left', { paint: 'refinished', existing: ['sealant'] })(marked);
    const copied = copyToTwin('front-door-left')(painted);
    expect(surfaceOf(copied, 'front-door-right')).toMatchObject({ paint: 'refinished', existing: ['sealant'] });
    expect(surfaceOf(copied, 'front-door-right').marks).toBeUndefined();
    expect(copyToTwin('bonnet')(painted)).toEqual(painted);
  });

  test('readings keep their places and sources in their order, and are bare where nobody kept either', () => {
    const read = addReadings([
      { surface: 'bonnet', um: 110 },
      { surface: 'bonnet', um: 112, at: [0.2, 0.3], source: 'simulated' },
    ])(begun());
    expect(surfaceOf(read, 'bonnet')).toMatchObject({
      readingsUm: [110, 112],
      readingsAt: [null, [0.2, 0.3]],
      readingsFrom: [null, 'simulated'],
    });
    const typed = setReadings('bonnet', [{ um: 90 }])(read);
    expect(surfaceOf(typed, 'bonnet').readingsAt).toBeUndefined();
    expect(surfaceOf(typed, 'bonnet').readingsFrom).toBeUndefined();
  });

  test('in a bay the air follows its day from the new start; typed air holds, or fades into the day', () => {
    const [bay] = bays;
    const moved = moveToBay(bay!)(begun());
    expect(moved).toMatchObject({ bayId: bay!.id, airSource: 'bay' });
    // What there is to work with there comes with it; the frost of the yard outside stays as it was said.
    const outside = changePrepare({ site: { airC: 2, drain: true } })(begun());
    const noDrain: Bay = {
      ...bay!,
      room: { volumeM3: 100, airChangesPerHour: 2, offers: { drain: false, lift: false } },
    };
    expect(moveToBay(noDrain)(outside).document.prepare!.site).toEqual({ airC: 2, drain: false, lift: false });
    const night = startAt('2027-03-02T23:00:00+01:00', bay)(moved).document.ambient[0]!;
    const noon = startAt('2027-03-02T13:00:00+01:00', bay)(moved).document.ambient[0]!;
    expect(night.airC).toBeLessThan(noon.airC);
    const air = { airC: 30, rhPct: 40, airSpeed: 0.2 };
    expect(typeAir(air, undefined)(begun()).document.ambient).toEqual([{ atMin: 0, ...air }]);
    const fading = typeAir(air, bay)(moved).document.ambient;
    expect(fading[0]!.airC).toBeCloseTo(30, 6);
    expect(Math.abs(fading.at(-1)!.airC - moved.document.ambient.at(-1)!.airC)).toBeLessThan(0.5);
  });

  test('what was agreed is kept as it stood, and taken back whole', () => {
    const agreed: Job['agreed'] = { offer: 'harbour', name: 'Harbour', totalMoney: 4200, at: '2027-03-02T10:00:00Z' };
    const kept = setAgreed(agreed)(begun());
    expect(kept.document.agreed).toEqual(agreed);
    expect(setAgreed(undefined)(kept).document.agreed).toBeUndefined();
  });

  test('an id made of a name can stand in an address, and is free', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 30 }), { maxLength: 8 }), (names) => {
        let draft = plainJob({});
        for (const name of names) {
          const id = freeId(name, draft.document.surfaces);
          expect(id).toMatch(/^[a-z0-9-]+$/);
          const shape = { kind: 'area' as const, areaM2: 1 };
          draft = addSurface(blankSurface({ id, substrate: 'glass', shape, measuredBy: 'tape' }))(draft);
        }
        expect(new Set(draft.document.surfaces.map(({ id }) => id)).size).toBe(names.length);
      }),
    );
  });
});

test('what the twin had before and nothing names any more leaves the job with it', () => {
  const start = begun();
  const left = start.document.surfaces.find(({ id }) => id.endsWith('-left'))!;
  const twin = left.id.replace(/-left$/, '-right');
  const odd = [{ product: 'harbour-paste', coats: 1, method: 'small-block' as const }];
  const waxed = setLayers([twin], odd, shelf)(setLayers(ids, [], shelf)(start));
  expect(waxed.document.products.map(({ id }) => id)).toEqual(['harbour-paste']);
  expect(copyToTwin(left.id)(waxed).document.products).toEqual([]);
});

test('when something found was laid stays with it as long as it is said to lie there, and with nothing else', () => {
  const [id] = ids;
  const since = ['2026-03-01T09:00:00+01:00', '2027-01-01T09:00:00+01:00'];
  const draft = changeSurface(id!, {
    existing: ['ceramic', 'topper'],
    existingTold: since.map((at) => ({ since: at })),
  })(begun());
  const sinceOf = (changes: Parameters<typeof changeSurface>[1], of = draft) =>
    changeSurfaces([id!], changes)(of).document.surfaces[0]!.existingTold?.map((told) => told && told.since);
  expect(sinceOf({ existing: ['ceramic'] })).toEqual([since[0]]);
  expect(sinceOf({ existing: ['sealant', 'topper'] })).toEqual([null, since[1]]);
  expect(sinceOf({ existing: ['ceramic', 'topper', 'film'] })).toEqual([...since, null]);
  expect(sinceOf({ touch: 'rough' })).toEqual(since);
});
