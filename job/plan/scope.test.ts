import { USUAL_WEEK } from '#core/schedule/hours';
import { prepareItem } from '#core/prepare/stages';
import type { Job } from '#formats/job';
import { quoted } from '#job/offers';
import { panelCases, prepareSettings } from '#job/prepare';
import { yardThatMorning } from '../../demo/that-morning';
import { planFile, runsheetFile } from '.';

const yard = yardThatMorning();
const { document } = yard.jobs.find(({ id }) => id === 'teal-hatchback')!.draft;
const leaving = (...ids: string[]): Job => ({
  ...document,
  prepare: {
    ...document.prepare,
    scope: ids.map((surface) => ({ surface, state: 'excluded', reason: 'is swapped next month' })),
  },
});

test('law: what is excluded appears nowhere: not planned, bought, run, prepared, found or priced', () => {
  const without = leaving('bonnet', 'roof');
  const named = (value: unknown) => /"(bonnet|roof)"/.test(JSON.stringify(value));
  expect(named(runsheetFile(document))).toBe(true);
  expect(named(runsheetFile(without))).toBe(false);
  const { surfaces, purchase, findings } = planFile(without);
  expect(surfaces.filter(({ id }) => ['bonnet', 'roof'].includes(id)).flatMap(({ layers }) => layers)).toEqual([]);
  expect(named(findings)).toBe(false);
  const need = (job: Job, product: string) => planFile(job).purchase.find((one) => one.product === product)!.need;
  expect(purchase.find(({ product }) => product === 'ledger-base')!.need).toBeLessThan(need(document, 'ledger-base'));
  const { stages } = prepareItem(panelCases(without), prepareSettings(without));
  expect(named(stages)).toBe(false);
  const hours = (job: Job) =>
    quoted(yard.offers[0]!, { document: job, shelf: yard.shelf, settings: prepareSettings(job), week: USUAL_WEEK })
      .price.hours;
  expect(hours(without)).toBeLessThan(hours(document) - 0.2);
});

test('a coat added by hand on crazed paint is refused by the plan as by the choice', () => {
  const mark: NonNullable<Job['surfaces'][number]['marks']>[number] = {
    id: 'z',
    kind: 'crazing',
    severity: 'medium',
    at: [0.5, 0.5],
  };
  const crazed: Job = {
    ...document,
    surfaces: document.surfaces.map((surface) => (surface.id === 'roof' ? { ...surface, marks: [mark] } : surface)),
  };
  const allowedOn = (job: Job, panel: string) =>
    planFile(job)
      .surfaces.find(({ id }) => id === panel)!
      .layers.map(({ allowed }) => allowed);
  expect([allowedOn(document, 'roof')[0], allowedOn(crazed, 'roof')[0]]).toEqual(['yes', 'no']);
  expect(allowedOn(crazed, 'bonnet')).toEqual(allowedOn(document, 'bonnet'));
  const stops = planFile(crazed).findings.filter(({ severity }) => severity === 'stop');
  expect(stops.map(({ code, surface }) => [code, surface])).toContainEqual(['not-allowed', 'roof']);
});
