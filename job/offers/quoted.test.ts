import { USUAL_WEEK } from '#core/schedule/hours';
import type { Job } from '#formats/job';
import { readProduct } from '#formats/shelf';
import { money } from '#formats/values';
import { choiceSurfaces } from '#job/choose';
import { laidInWords, lifeInWords, quoted } from '#job/offers';
import { prepareSettings } from '#job/prepare';
import { DEMO_OFFERS } from '../../demo/offers';
import { DEMO_SHELF } from '../../demo/shelf';
import { yardThatMorning } from '../../demo/that-morning';

const shelf = DEMO_SHELF.map(readProduct);
const jobs = yardThatMorning().jobs.map(({ draft }) => draft.document);
const quote = (job: Job, offer = DEMO_OFFERS[0]!) =>
  quoted(offer, { document: job, shelf, settings: prepareSettings(job), week: USUAL_WEEK });

test('every offer says of every surface of every item whether something is laid on it', () => {
  for (const job of jobs) {
    const wanted = choiceSurfaces({ ...job, surfaces: job.surfaces.map((each) => ({ ...each, layers: [] })) });
    for (const offer of DEMO_OFFERS) {
      const lines = laidInWords(quote(job, offer), job.surfaces, shelf);
      const counted = lines.map((line) => {
        const panels = line.slice(line.lastIndexOf(': ') + 2);
        return Number(/^(\d+) panels$/.exec(panels)?.[1] ?? panels.split('; ').length);
      });
      expect(counted.reduce((sum, count) => sum + count, 0)).toBe(wanted.length);
    }
  }
});

test('what a job has planned itself does not change what an offer costs', () => {
  for (const job of jobs.slice(0, 4)) {
    const bare = { ...job, surfaces: job.surfaces.map((surface) => ({ ...surface, layers: [] })) };
    expect(quote(bare).price).toEqual(quote(job).price);
  }
});

test('life and money as the owner reads them', () => {
  const [job] = jobs;
  const { price, ...rest } = quote(job!);
  expect(lifeInWords({ price: { ...price, lifeMonths: [11.6, 24.2] } })).toBe('Plan for 12 to 24 months.');
  expect(lifeInWords({ price: { ...price, lifeMonths: [0, 0] } })).toBe('Nothing is laid.');
  expect(
    laidInWords({ stripped: [], applied: rest.applied.map((each) => ({ ...each, layers: [] })) }, job!.surfaces, shelf),
  ).toEqual([expect.stringMatching(/^Nothing is laid on: \d+ panels$/)]);
  expect([money(123456, 'EUR'), money(1234, 'JPY')]).toEqual(['€1,234.56', '¥1,234']);
});
