/** Schools of laying: every choice that is not the usual one changes a figure that somebody sees. */
import { LAYING_SCHOOLS, type LayingSchools, TOWELS_OF, USUAL_LAYING_SCHOOLS } from '#core/products/schools';
import { layingHours } from '#core/schedule/hours';
import { layOut } from '#core/lay/run-sheet';
import type { JobInput } from '#formats/job';
import { product } from '../../core/testing/samples';
import { filmWork } from '#job/film';
import { plainJob } from '../testing/plain-job';
import { planInput } from './plan-input';

const rectangle = { kind: 'rectangle', aMm: 1400, bMm: 1100 } as const;
/** Paint with a coating and a wax, a windscreen, and satin: something for every school to change. */
const surfaces = [
  { id: 'bonnet', substrate: 'clear-gloss', shape: rectangle, layers: [{ product: 'coat' }] },
  { id: 'boot', substrate: 'clear-gloss', shape: rectangle, layers: [{ product: 'wax' }] },
  { id: 'screen', substrate: 'windscreen', shape: rectangle, layers: [{ product: 'coat' }] },
  { id: 'tank', substrate: 'clear-matte', shape: rectangle, layers: [{ product: 'coat' }] },
  { id: 'wing', substrate: 'clear-gloss', shape: rectangle, layers: [{ product: 'film' }] },
] satisfies NonNullable<JobInput['surfaces']>;
const sheet = (changes: object) => ({
  ...product({
    milestones: [
      { name: 'cue', clock: 'flash', min: 3 },
      { name: 'levelFrom', clock: 'flash', min: 2 },
      { name: 'levelBy', clock: 'flash', min: 5 },
      { name: 'waterSafe', clock: 'set', min: 240 },
      { name: 'handover', clock: 'set', min: 300 },
    ],
  }),
  over: ['bare'],
  properties: ['not-for-wipers', 'gloss-enhancer'],
  substrates: {
    'clear-gloss': { use: 'yes' },
    'clear-matte': { use: 'yes' },
    windscreen: { use: 'yes' },
  },
  ...changes,
});

function figures(schools: Partial<LayingSchools>) {
  const { document } = plainJob({
    surfaces,
    products: [
      sheet({ id: 'coat', family: 'ceramic' }),
      sheet({ id: 'wax', family: 'paste-wax' }),
      sheet({ id: 'film', family: 'film' }),
    ] as never,
    schools: { matte: 'fixed-early', ...schools },
  });
  const planned = planInput(document);
  const out = layOut(planned);
  return {
    hours: layingHours(out),
    amounts: out.actions.filter(({ coat }) => coat.surface.id !== 'wing').map(({ amount }) => amount),
    sections: out.actions.map(({ sections }) => sections),
    ages: out.actions.map(({ ages }) => ages),
    handoverMin: out.plan.handoverMin,
    firstWashDays: planned.firstWashDays,
    makersDays: planned.makersDays,
    refused: out.refused.map(({ coat }) => coat.surface.id),
    rulings: out.plan.surfaces.flatMap(({ coats }) => coats.flatMap(({ rulings }) => rulings)),
    filmM2: filmWork(document).map(({ areaM2 }) => areaM2),
    towels: TOWELS_OF[schools.towels ?? 'three-roles'],
  };
}

const choices = (Object.keys(LAYING_SCHOOLS) as (keyof LayingSchools)[]).flatMap((key) =>
  Object.keys(LAYING_SCHOOLS[key])
    .filter((id) => id !== USUAL_LAYING_SCHOOLS[key])
    .map((id) => [key, id] as const),
);

test.each(choices)('%s: %s changes what is planned', (key, id) => {
  expect(figures({ [key]: id })).not.toEqual(figures({}));
});

test('the usual schools change nothing', () => {
  expect(figures(USUAL_LAYING_SCHOOLS)).toEqual(figures({}));
});

test('more is poured by a plentiful hand and takes longer, less by a sparing one', () => {
  const poured = (amount: LayingSchools['amount']) =>
    figures({ amount }).amounts.reduce<number>((sum, each) => sum + (each ?? 0), 0);
  expect(poured('plentiful') / poured('moderate')).toBeCloseTo(1.3, 1);
  expect(poured('barely') / poured('moderate')).toBeCloseTo(0.75, 1);
  expect(figures({ amount: 'plentiful' }).hours.busyMin).toBeGreaterThan(figures({}).hours.busyMin);
});

test('the makers’ minimum is kept beside the workshop’s margin', () => {
  const minimum = figures({}).handoverMin!;
  expect(figures({ handover: 'two-days' }).handoverMin!).toBeGreaterThanOrEqual(Math.max(minimum, 2 * 1440));
  const { document } = plainJob({
    surfaces,
    products: [
      sheet({ id: 'coat', family: 'ceramic' }),
      sheet({ id: 'wax', family: 'paste-wax' }),
      sheet({ id: 'film', family: 'film' }),
    ] as never,
    schools: { matte: 'fixed-early', handover: 'two-days' },
  });
  expect(layOut(planInput(document)).plan.minimumHandoverMin).toBeCloseTo(minimum, 6);
});
