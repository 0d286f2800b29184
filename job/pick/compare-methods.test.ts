import { METHODS } from '#core/products/methods';
import { yardThatMorning } from '../../demo/that-morning';
import { compareMethods } from '.';

const yard = yardThatMorning();
const jobOf = (id: string) => yard.jobs.find((job) => job.id === id)!.draft.document;

test('small block and big mitt: more product against fewer minutes, on a hatchback and on a launch', () => {
  for (const [id, product, now] of [
    ['teal-hatchback-sealant', 'breakwater', 'small-block'],
    ['marrow-launch', 'deck-hand', 'big-mitt'],
  ] as const) {
    const ways = compareMethods(jobOf(id), product);
    const of = (method: string) => ways.find((way) => way.method === method)!;
    const [block, mitt] = [of('small-block'), of('big-mitt')];
    expect(ways.filter((way) => way.now).map(({ method }) => method)).toEqual([now]);
    expect(mitt.order / block.order).toBeGreaterThan(1.05);
    expect(mitt.order / block.order).toBeLessThan(METHODS['big-mitt'].amount * 1.05);
    expect(mitt.personMin).toBeLessThan(block.personMin);
    expect(of('machine').order).toBeLessThan(block.order);
  }
});

test('nothing is sprayed from a tin; film and what is not laid have nothing to compare', () => {
  expect(compareMethods(jobOf('two-door-classic'), 'harbour-paste').map(({ method }) => method)).not.toContain(
    'sprayed',
  );
  expect(compareMethods(jobOf('teal-hatchback'), 'pilot-film')).toEqual([]);
  expect(compareMethods(jobOf('teal-hatchback'), 'no-such')).toEqual([]);
});
