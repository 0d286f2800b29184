import { type Job, readJob } from '#formats/job';
import { changeSurface } from '#job/edit';
import { planInput, planOf } from '#job/plan';
import { prepareSettings } from '#job/prepare';
import { weekOf } from '#job/promise';
import { yardThatMorning } from '../../demo/that-morning';
import { type JobFacts, jobFacts, type JobInputs, jobModel } from './index';

const { jobs } = yardThatMorning();
const inputsOf = (id: string, nowMin = 0): JobInputs => {
  const { draft, log } = jobs.find((job) => job.id === id)!;
  return {
    document: draft.document,
    entries: log,
    week: weekOf(undefined),
    usage: () => undefined,
    found: [],
    settings: prepareSettings(draft.document),
    nowMin,
    weather: undefined,
  };
};
const noted = (document: Job): Job =>
  changeSurface(document.surfaces[0]!.id, { note: 'ask the owner' })({ document, bayId: null, airSource: 'typed' })
    .document;
/** Which facts are other values than before. */
const moved = (before: JobFacts, after: JobFacts) =>
  (Object.keys(before) as (keyof JobFacts)[]).filter((name) => before[name] !== after[name]);

test('every fact is worked out once while its inputs stay, and asked twice it is the same value', () => {
  const inputs = inputsOf('teal-hatchback', 95);
  const model = jobModel();
  expect(moved(jobFacts(inputs, model), jobFacts({ ...inputs }, model))).toEqual([]);
});

test('before anything is laid, a passing minute moves nothing', () => {
  const model = jobModel();
  const inputs = inputsOf('satin-tourer', -600);
  const before = { ...jobFacts(inputs, model) };
  expect(moved(before, jobFacts({ ...inputs, nowMin: -599 }, model))).toEqual([]);
});

test('while it is laid, a few seconds move when what is left is counted from, and no preparation, plan input or record', () => {
  const model = jobModel();
  const inputs = inputsOf('teal-hatchback', 95);
  const before = { ...jobFacts(inputs, model) };
  const after = moved(before, jobFacts({ ...inputs, nowMin: 95.1 }, model));
  expect(after).toContain('countsFromMin');
  for (const still of ['done', 'record', 'live', 'asPlanned', 'prepared'] as const) expect(after).not.toContain(still);
});

test('a note to a panel leaves plan, run sheet and days as they are; another product does not', () => {
  const model = jobModel();
  const inputs = inputsOf('satin-tourer');
  const before = { ...jobFacts(inputs, model) };
  const withNote = moved(before, jobFacts({ ...inputs, document: noted(inputs.document) }, model));
  for (const still of ['asPlanned', 'planned', 'sheet', 'plan', 'progress'] as const)
    expect(withNote).not.toContain(still);
  const [first] = inputs.document.surfaces;
  const bare = {
    ...inputs.document,
    surfaces: inputs.document.surfaces.map((s) => (s === first ? { ...s, layers: [] } : s)),
  };
  expect(moved(before, jobFacts({ ...inputs, document: bare }, model))).toEqual(
    expect.arrayContaining(['asPlanned', 'sheet', 'plan']),
  );
});

test('a run sheet laid out elsewhere is taken as it is', () => {
  const inputs = inputsOf('satin-tourer');
  const { sheet } = jobFacts(inputs);
  const taken = jobFacts({ ...inputs, sheet });
  expect(taken.sheet).toBe(sheet);
  expect(taken.plan).toBe(sheet.plan);
});

test('what nothing was done at, with nothing to prepare, is planned as the plan file has it', () => {
  const { document } = inputsOf('satin-tourer');
  const job = readJob({ ...document, surfaces: document.surfaces.map((s) => ({ ...s, marks: [] })) });
  const open = Array.from({ length: 7 }, () => [0, 24] as const);
  const facts = jobFacts({ ...inputsOf('satin-tourer'), document: job, entries: [], week: open });
  expect(facts.asPlanned).toEqual(planInput(job));
  const amounts = (plan: ReturnType<typeof planOf>) => plan.purchases.map(({ product, order }) => [product, order]);
  expect(amounts(facts.plan)).toEqual(amounts(planOf(job)));
});
