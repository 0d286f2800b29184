/** What the Layer station makes of a job: judgements with their times, stacks in words, stacks as they are planned. */
import type { Job } from '#formats/job';
import { judgePlanned } from '#job/judge';
import { stackInWords, toPlan } from '#job/offers';
import { planInput, planOf } from '#job/plan';
import { yardThatMorning } from '../../../demo/that-morning';

const yard = yardThatMorning();
const hatchback = yard.jobs.find(({ id }) => id === 'teal-hatchback')!.draft.document;

/** The hatchback's bonnet, alone, with a base that closes or opens as is said. */
function bonnetWith(
  milestones: readonly { readonly name: 'recoatFrom' | 'recoatBy'; readonly min: number }[],
  overruled?: Record<string, string>,
): Job {
  const bonnet = hatchback.surfaces.find(({ id }) => id === 'bonnet')!;
  return {
    ...hatchback,
    surfaces: [
      {
        ...bonnet,
        layers: bonnet.layers.map((layer, at) => (at === 1 && overruled ? { ...layer, overruled } : layer)),
      },
    ],
    products: hatchback.products.map((product) =>
      product.id === 'ledger-base'
        ? {
            ...product,
            milestones: [
              ...product.milestones.filter(({ name }) => name !== 'recoatFrom' && name !== 'recoatBy'),
              ...milestones.map((each) => ({ ...each, clock: 'set' as const })),
            ],
          }
        : product,
    ),
  };
}

function judged(job: Job) {
  const [ground] = planInput(job).surfaces;
  const [{ coats }] = planOf(job).surfaces as [ReturnType<typeof planOf>['surfaces'][number]];
  return judgePlanned(ground!, job.surfaces[0]!.layers, coats, job.products);
}

describe('a layer over another in time', () => {
  test('that waits for the one below is allowed', () => {
    expect(judged(bonnetWith([{ name: 'recoatFrom', min: 60 }])).map(({ answer }) => answer)).toEqual(['yes', 'yes']);
  });

  test('that comes too late is refused with what to do first; done and noted, it is to be tried hidden', () => {
    const late = bonnetWith([{ name: 'recoatBy', min: 1 }]);
    const [base, top] = judged(late);
    expect(base!.answer).toBe('yes');
    expect(top).toMatchObject({ answer: 'no', rulings: [{ rule: 'recoat-late', answer: 'no' }] });
    expect(top!.waysOut[0]).toEqual({ kind: 'first', do: 'abrade', what: 'Ledger Base' });
    // The plan warns and shows its numbers all the same: it can be made right at the panel.
    const told = planOf(late).findings.filter(({ code }) => code === 'recoat-window');
    expect(told).toEqual([expect.objectContaining({ severity: 'warn', surface: 'bonnet', product: 'ledger-top' })]);

    const done = bonnetWith([{ name: 'recoatBy', min: 1 }], { 'recoat-late': 'abraded before it' });
    expect(judged(done)[1]).toMatchObject({
      answer: 'test',
      rulings: [{ rule: 'recoat-late', overruled: 'abraded before it' }],
      waysOut: [],
    });
    expect(planOf(done).findings.some(({ code }) => code === 'recoat-window')).toBe(false);
  });
});

test('a stack is read out from the bottom up, coats told where there are several, and nothing is bare', () => {
  const name = (id: string) => id.toUpperCase();
  expect(stackInWords([], name)).toBe('stays bare');
  expect(
    stackInWords(
      [
        { product: 'base', coats: 1 },
        { product: 'top', coats: 2 },
      ],
      name,
    ),
  ).toBe('BASE, then TOP × 2');
});

test('stacks are planned in the way their sheet says, else as is usual for the family; what is laid stays out', () => {
  const shelf = [
    { id: 'mist', family: 'spray-coating' as const },
    { id: 'rub', family: 'ceramic-primer' as const, method: 'machine' as const },
    { id: 'paste', family: 'paste-wax' as const },
  ];
  const stacks = ['mist', 'rub', 'paste', 'gone'].map((product) => ({
    id: `on ${product}`,
    layers: [{ product, coats: 1 }],
  }));
  const planned = toPlan(stacks, shelf, new Set(['on paste']));
  expect([...planned].map(([id, [layer]]) => [id, layer!.method])).toEqual([
    ['on mist', 'sprayed'],
    ['on rub', 'machine'],
    ['on gone', 'small-block'],
  ]);
});
