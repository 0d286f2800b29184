import { faultsOf as faultsOfReading } from '../../formats/testing/faults';
import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { type JobInput, jobSchema, firstPlanSchema, planSchema, readJob } from '#formats/job';
import { instantAfter, minuteOfDay, minutesToDay, parseJson } from '#formats/values';
import { firstPlanFile, planFile } from '#job/plan';

const bonnet = (): JobInput => ({
  format: 'glaphyra.job/1',
  title: 'Bonnet',
  startAt: '2027-03-02T08:30:00+01:00',
  surfaces: [
    {
      id: 'bonnet',
      substrate: 'clear-gloss',
      shape: { kind: 'rectangle', aMm: 1400, bMm: 980 },
      surfaceC: 19,
      layers: [{ product: 'ledger-base' }],
    },
  ],
  products: [
    {
      id: 'ledger-base',
      name: 'Ledger Base',
      family: 'ceramic-base',
      coveragePerM2: 6.5,
      packs: [{ size: 30, price: 4200 }],
      clocks: { flash: { mechanism: 'solvent' }, set: { mechanism: 'moisture' } },
      milestones: [
        { name: 'levelFrom', clock: 'flash', min: 2 },
        { name: 'levelBy', clock: 'flash', min: 5 },
        { name: 'rewetBy', clock: 'set', min: 60 },
        { name: 'recoatFrom', clock: 'set', min: 120 },
        { name: 'waterSafe', clock: 'set', min: 720 },
      ],
      substrates: { 'clear-gloss': { use: 'yes' } },
      over: ['bare'],
    },
  ],
  ambient: [{ atMin: 0, airC: 21, rhPct: 45 }],
});

const faultsOf = (value: unknown) => faultsOfReading(() => readJob(value));

/** The bonnet with one value put somewhere. */
function broken(path: string, value: unknown): unknown {
  const job = structuredClone(bonnet()) as unknown as Record<string, unknown>;
  const keys = path.split(/[.[\]]+/).filter(Boolean);
  const last = keys.pop()!;
  const parent = keys.reduce<Record<string, unknown>>((at, key) => at[key] as Record<string, unknown>, job);
  if (value === undefined) delete parent[last];
  else parent[last] = value;
  return job;
}

describe('the plan of the bonnet', () => {
  test.each([
    [planFile, planSchema],
    [firstPlanFile, firstPlanSchema],
  ] as const)('has the figures of the format’s own example, in either edition', (write, schema) => {
    const plan = write(readJob(bonnet()));
    const [layer] = plan.surfaces[0]!.layers;
    expect(layer).toMatchObject({
      allowed: 'yes',
      coat: 1,
      sections: 1,
      startAt: '2027-03-02T08:30:00+01:00',
      endAt: '2027-03-02T08:35:48+01:00',
    });
    expect(layer!.maxSectionM2).toBeCloseTo(1.837, 3);
    expect(layer!.levelFromMin).toBeCloseTo(2.11, 3);
    expect(layer!.levelByMin).toBeCloseTo(5.274, 3);
    expect(layer!.amount).toBeCloseTo(8.918, 3);
    expect(plan.purchase[0]).toMatchObject({ unit: 'ml', onHand: 0, packs: [{ size: 30, count: 1 }], cost: 4200 });
    expect(plan.purchase[0]!.order).toBeCloseTo(10.81, 2);
    expect(plan.purchase[0]!.leftover).toBeCloseTo(19.19, 2);
    expect(Object.keys(plan)).toEqual(['format', 'surfaces', 'purchase', 'ready', 'findings']);
    expect(Object.keys(layer!.milestones!)).toEqual(['rewetBy', 'recoatFrom', 'waterSafe']);
    expect(schema.parse(plan)).toEqual(plan);
  });

  test('a refused layer is named, and every other field of it null', () => {
    const [layer] = planFile(readJob(broken('products[0].over', ['sealant']))).surfaces[0]!.layers;
    const { product, coat, allowed, ...rest } = layer!;
    expect([product, coat, allowed]).toEqual(['ledger-base', 1, 'no']);
    expect(Object.values(rest).every((value) => value === null)).toBe(true);
  });

  test('reading what was written changes nothing', () => {
    const job = readJob(bonnet());
    expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual(job);
  });
});

describe('bad files', () => {
  test.each<[string, unknown, string]>([
    ['surfaces[0].shape.aMm', -4, 'surfaces[0].shape.aMm: expected a positive number'],
    ['surfaces[0].shape.aMm', '1400', 'surfaces[0].shape.aMm: expected a positive number'],
    ['surfaces[0].shape.aMm', 1.4e6, 'surfaces[0].shape.aMm: longer than a kilometre; millimetres are meant'],
    ['surfaces[0].shape', { kind: 'area', areaM2: 1e6 }, 'surfaces[0].shape.areaM2: larger than 100,000 m²'],
    ['surfaces[0].count', 1e6, 'surfaces[0].count: expected at most 400 copies'],
    ['products[0].coveragePerM2', 1e12, 'products[0].coveragePerM2: expected at most 1,000,000,000'],
    ['surfaces[0].shape.kind', 'blob', 'surfaces[0].shape.kind: expected a shape of kind'],
    ['surfaces[0].polish', 'teal', 'surfaces[0].polish: unknown key'],
    ['surfaces[0].colour', { tone: 'teal' }, 'surfaces[0].colour.tone: expected one of dark'],
    ['surfaces[0].readingsAt', [[0.5, 0.5]], 'surfaces[0].readingsAt: expected a place, or null, for each reading'],
    ['surfaces[0].substrate', 'paint', 'surfaces[0].substrate: expected one of clear-gloss'],
    ['surfaces[0].layers[0].product', 'ghost', 'surfaces[0].layers[0].product: no product "ghost" among the products'],
    [
      'surfaces[0].shape',
      { kind: 'offsets', stationMm: 900, offsetsMm: [1, 2] },
      'surfaces[0].shape.offsetsMm: expected an odd number of stations',
    ],
    [
      'surfaces[0].shape',
      { kind: 'ring', outerMm: 10, innerMm: 10 },
      'surfaces[0].shape.innerMm: must be smaller than outerMm',
    ],
    [
      'surfaces[0].shape',
      {
        kind: 'polygon',
        pointsMm: [
          [0, 0],
          [9, 9],
          [9, 0],
          [0, 9],
        ],
      },
      'surfaces[0].shape.pointsMm: the edge from point 1 crosses the edge from point 3',
    ],
    ['surfaces[0].refinishedOn', '2027-02-30', 'surfaces[0].refinishedOn: expected a date'],
    ['startAt', '2027-03-02 08:30', 'startAt: expected a date and time with its offset'],
    ['products[0].milestones[0].min', 6, 'products[0].milestones[0].min: levelFrom may not be later than levelBy'],
    [
      'products[0].milestones[2]',
      { name: 'recoatBy', clock: 'set', min: 60 },
      'products[0].milestones[3].min: recoatFrom may not be later than recoatBy',
    ],
    [
      'products[0].film',
      { thicknessUm: 200, finish: 'gloss', rollWidthsMm: [1524], stretchPct: 30, maxSurfaceC: 60 },
      'products[0].film: only a film has one',
    ],
    ['products[0].film', { thicknessUm: 200 }, 'products[0].film.finish: expected one of gloss, matte'],
    ['products[0].comesOffBy', ['magic'], 'products[0].comesOffBy[0]: expected one of strip-wash'],
    ['products[0].method', 'thrown', 'products[0].method: expected one of small-block'],
    [
      'agreed',
      { offer: 'x', name: 'X', totalMoney: 10.5, at: '2027-03-02T08:30:00Z' },
      'agreed.totalMoney: expected a',
    ],
    ['wishes', { mostDays: 0 }, 'wishes.mostDays: expected a positive number'],
    [
      'surfaces[0].layers[0].overruled',
      { 'aircraft-approval': 'we always do' },
      'surfaces[0].layers[0].overruled.aircraft-approval: a matter of safety',
    ],
    ['products[0].milestones[1].name', 'levelFrom', 'products[0].milestones[1].name: "levelFrom" is given twice'],
    ['products[0].clocks', { flash: { mechanism: 'solvent' } }, 'products[0].clocks.set: expected a clock'],
    ['products[0].substrates', { paint: { use: 'yes' } }, 'products[0].substrates.paint: unknown key'],
    ['products[0].limits', { airC: [30, 8] }, 'products[0].limits.airC: expected the lowest first'],
    [
      'ambient',
      [
        { atMin: 0, airC: 21, rhPct: 45 },
        { atMin: 0, airC: 9, rhPct: 45 },
      ],
      'ambient[1].atMin: must be later',
    ],
    ['ambient', [], 'ambient: expected at least one step'],
    ['crew', { mode: 'solo' }, 'crew.layM2PerMin: expected a positive number'],
    ['format', 'glaphyra.job/9', 'format: expected "glaphyra.job/1"'],
  ])('%s = %j', (path, value, line) => {
    const lines = faultsOf(broken(path, value)).map((f) => `${f.path}: ${f.message}`);
    expect(lines.some((told) => told.startsWith(line))).toBe(true);
  });

  test('every fault at once, of structure and of sense', () => {
    const job = broken('surfaces[0].shape.aMm', 0) as JobInput;
    (job.surfaces[0]!.layers[0] as { product: string }).product = 'ghost';
    (job as Record<string, unknown>).colour = 'teal';
    job.products.push(structuredClone(job.products[0]!));
    expect(
      faultsOf(job)
        .map(({ path }) => path)
        .sort(),
    ).toEqual(['colour', 'products[1].id', 'surfaces[0].layers[0].product', 'surfaces[0].shape.aMm']);
  });

  test('whatever is read, the answer is a job or faults, never another error', () => {
    fc.assert(fc.property(fc.jsonValue(), (value) => faultsOf(value).length > 0));
    const slots = [
      'title',
      'startAt',
      'surfaces',
      'products',
      'ambient',
      'crew',
      'surfaces[0].shape',
      'surfaces[0].layers',
      'products[0].milestones',
      'products[0].clocks',
      'products[0].substrates',
      'ambient[0]',
    ];
    fc.assert(
      fc.property(fc.constantFrom(...slots), fc.jsonValue(), (slot, value) => {
        const job = broken(slot, value);
        if (faultsOf(job).length === 0) planFile(readJob(job));
      }),
    );
  });

  test('text that is no JSON is told with line and column', () => {
    expect(() => parseJson('{\n  "a": 1,\n  oops\n}')).toThrow(/line 3, column 3/);
    expect(parseJson('\uFEFF{"a":1}')).toEqual({ a: 1 });
  });
});

describe('times', () => {
  test('a day begins at local midnight of the job’s own offset', () => {
    expect(minutesToDay('2027-03-02T08:30:00+01:00', '2027-03-02')).toBe(-510);
    expect(minuteOfDay('2027-03-02T08:30:00+05:30')).toBe(510);
    expect(instantAfter('2027-03-02T23:59:30+01:00', 0.51)).toBe('2027-03-03T00:00:01+01:00');
  });
});

test('the sample files are valid, and the schemas in the documents are those of the code', async () => {
  for (const file of readdirSync('demo/jobs')) {
    const job = readJob(parseJson(readFileSync(`demo/jobs/${file}`, 'utf8')));
    expect(planFile(job).surfaces).toHaveLength(job.surfaces.length);
    expect(jobSchema.parse(job)).toEqual(job);
  }
  const { jsonSchemas } = await import('../../formats/json-schemas');
  for (const [file, schema] of Object.entries(jsonSchemas())) {
    expect(JSON.parse(readFileSync(`docs/formats/${file}`, 'utf8'))).toEqual(JSON.parse(JSON.stringify(schema)));
  }
});
