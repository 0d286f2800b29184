import { arrange } from '#core/item/nets';
import { layOut } from '#core/lay/run-sheet';
import type { Job } from '#formats/job';
import { inOrder } from '#job/edit';
import { planInput, planOf } from '#job/plan';
import { yardThatMorning } from '../../demo/that-morning';
import { sectionPlan } from '.';

const yard = yardThatMorning();
const jobOf = (id: string): Job => yard.jobs.find((job) => job.id === id)!.draft.document;
const planned = (job: Job) => sectionPlan(job, planOf(job), arrange(job));
const hatchback = jobOf('teal-hatchback');

test('every coat of every sample job: the same area and amount as its plan, none over today’s limit but what goes in one piece', () => {
  for (const { id, draft } of yard.jobs) {
    const plan = planOf(draft.document);
    for (const { key, product, coat, patches } of planned(draft.document)) {
      const laid = plan.surfaces.flatMap(({ areaM2, coats }) =>
        coats.flatMap((each) =>
          each.product === product && each.coat === coat && each.laid ? [{ areaM2, amount: each.laid.amount }] : [],
        ),
      );
      const sum = (
        of: (one: { areaM2: number; amount: number }) => number,
        ones: readonly { areaM2: number; amount: number }[],
      ) => ones.reduce((total, one) => total + of(one), 0);
      expect(sum(({ areaM2 }) => areaM2, patches)).toBeCloseTo(
        sum(({ areaM2 }) => areaM2, laid),
        6,
      );
      expect(sum(({ amount }) => amount, patches)).toBeCloseTo(
        sum(({ amount }) => amount, laid),
        5,
      );
      expect(patches.map(({ number }) => number)).toEqual(patches.map((_, index) => index + 1));
      expect([id, key, patches.filter(({ tooLarge, onePiece }) => tooLarge && !onePiece)]).toEqual([id, key, []]);
    }
  }
});

test('warmer air, smaller sections: cut anew at once', () => {
  const count = (airC: number) => {
    const job: Job = { ...hatchback, ambient: [{ atMin: 0, airC, rhPct: 50, airSpeed: 0.1 }] };
    return planned(job).find(({ product }) => product === 'ledger-base')!.patches.length;
  };
  expect(count(28)).toBeGreaterThan(count(15));
});

test('the order of the panels is the order of work, and a panel that follows another comes after it', () => {
  const order = (job: Job) => planned(job)[0]!.patches.flatMap(({ pieces }) => pieces.map(({ surface }) => surface));
  const ids = hatchback.surfaces.map(({ id }) => id).toReversed();
  const draft = { document: hatchback, bayId: null, airSource: 'typed' as const };
  const turned = inOrder(ids)(draft).document;
  expect(turned.surfaces.map(({ id }) => id)).toEqual(ids);
  expect(order(turned)).not.toEqual(order(hatchback));
  const [first, last] = [order(hatchback)[0]!, order(hatchback).at(-1)!];
  const follows: Job = {
    ...hatchback,
    surfaces: hatchback.surfaces.map((surface) => (surface.id === first ? { ...surface, follows: [last] } : surface)),
  };
  const sheet = sectionPlan(follows, layOut(planInput(follows)).plan, arrange(follows));
  const after = sheet[0]!.patches.flatMap(({ pieces }) => pieces.map(({ surface }) => surface));
  expect(after.lastIndexOf(last)).toBeLessThan(after.indexOf(first));
});
