/** What is found on surfaces, and what is told of it. */
import { jobSchema } from '#formats/job';
import { preparedPanels } from '#job/prepare';
import { comingBack } from '#job/return';
import { plainJob } from '../testing/plain-job';
import { planInput, staying } from '.';

const panel = (id: string, more: object = {}) => ({
  id,
  substrate: 'clear-gloss' as const,
  shape: { kind: 'rectangle' as const, aMm: 1000, bMm: 1000 },
  layers: [],
  ...more,
});
const found = { since: '2026-09-02T08:30:00+01:00', name: 'Ebb Liquid Wax', ratedMonths: 2 };

test('what water says is gone takes what was told of it along, and leaves the rest with its own', () => {
  const { document } = plainJob({
    surfaces: [panel('a', { existing: ['unknown', 'liquid-wax'], existingTold: [null, found], water: 'sheets' })],
  });
  expect(staying(document, document.surfaces[0]!)).toEqual([{ family: 'liquid-wax', told: found }]);
  expect(planInput(document).surfaces[0]!.existingTold![0]).toMatchObject({ name: 'Ebb Liquid Wax' });
});

test('a patch says how what nobody knows comes off: on all panels alike, at this visit and the next', () => {
  const { document } = plainJob({
    surfaces: [
      panel('a', { existing: ['unknown'] }),
      panel('b', { existing: ['unknown'] }),
      panel('c', { existing: ['unknown'], substrate: 'single-stage' }),
      panel('d', { water: 'beads' }),
    ],
    prepare: { level: 'none', strip: ['a', 'b', 'c', 'd'] },
  });
  const tests = [
    { surface: 'a', method: 'strip-wash' as const, sheets: false },
    { surface: 'a', method: 'panel-wipe' as const, sheets: true },
  ];
  const tried = jobSchema.parse({ ...document, prepare: { ...document.prepare, stripTests: tests } });
  const minutes = (job: typeof document) =>
    new Map(
      preparedPanels(job).map(({ id, steps }) => [id, steps.find(({ kind }) => kind === 'strip-found')!.minutes]),
    );
  const [before, after] = [minutes(document), minutes(tried)];
  for (const id of ['a', 'b', 'd']) expect(after.get(id)).toBeLessThan(before.get(id)!);
  expect(after.get('c')).toBeCloseTo(before.get('c')!, 9);
  // Left on, the next visit knows.
  const left = { ...tried, prepare: { ...tried.prepare!, strip: [] } };
  const back = comingBack(left, []).surfaces;
  expect(back.map(({ existingTold }) => existingTold?.[0])).toEqual([
    { comesOffBy: ['panel-wipe'], resists: ['strip-wash'] },
    { comesOffBy: ['panel-wipe'], resists: ['strip-wash'] },
    null,
    { comesOffBy: ['panel-wipe'], resists: ['strip-wash'] },
  ]);
});

test('what an earlier visit laid comes off as its sheet and its age say, in the steps as in the plan of care', () => {
  const told = (comesOffBy?: readonly string[]) =>
    plainJob({
      surfaces: [panel('a', { existing: ['ceramic'], existingTold: [{ ...found, comesOffBy }] })],
      prepare: { level: 'none', strip: ['a'] },
    } as never).document;
  const strip = (job: ReturnType<typeof told>) =>
    preparedPanels(job)[0]!.steps.find(({ kind }) => kind === 'strip-found')!;
  expect(strip(told()).reason).toContain('ebb liquid wax');
  expect(strip(told(['alkali-acid-wash'])).minutes).toBeLessThan(strip(told()).minutes);
});
