import { type PickGroup, type PickLine, shortOf } from '#core/lay/pick-list';
import { prepareItem } from '#core/prepare/stages';
import { foldLog } from '#core/lay/run';
import { kitOf } from '#formats/shelf';
import type { Job } from '#formats/job';
import { planOf } from '#job/plan';
import { panelCases, prepareSettings } from '#job/prepare';
import { yardThatMorning } from '../../demo/that-morning';
import { pickListOf } from '.';

const yard = yardThatMorning();
const kit = kitOf(yard.kit);
const jobOf = (id: string): Job => yard.jobs.find((job) => job.id === id)!.draft.document;
const listOf = (job: Job, log: Parameters<typeof foldLog>[0] = []): PickGroup[] =>
  pickListOf(job, {
    plan: planOf(job),
    preparation: prepareItem(panelCases(job), prepareSettings(job, undefined, kit)),
    record: foldLog(log),
    kit,
    nowMs: Date.parse('2027-03-02T10:40:00+01:00'),
  });
const lines = (groups: readonly PickGroup[]) => groups.flatMap((group) => group.lines);
const hatchback = jobOf('teal-hatchback');

test('what is worn comes first, then preparation in its order, then coat by coat as they are laid', () => {
  const list = listOf(hatchback);
  expect(list[0]).toMatchObject({ key: 'worn', name: 'To be worn' });
  const laid = list.findIndex(({ key }) => key.startsWith('lay/'));
  expect(list.slice(1, laid).every(({ key }) => key.startsWith('prepare/'))).toBe(true);
  expect(list.slice(laid).every(({ key }) => key.startsWith('lay/'))).toBe(true);
  const order = list.map(({ name }) => name);
  expect(order.indexOf('Ledger Base')).toBeLessThan(order.indexOf('Ledger Top'));
  expect(new Set(lines(list).map(({ key }) => key)).size).toBe(lines(list).length);
});

test('a small hatchback’s full coat wants what a practitioner lays out', () => {
  const list = listOf(hatchback);
  const of = (supply: string) => lines(list).filter(({ stock }) => stock?.of === supply);
  const total = (supply: string) => of(supply).reduce((sum, { amount }) => sum + amount, 0);
  // Six products and a day and a half of work: a box of gloves lasts for several such cars.
  expect(total('gloves')).toBeGreaterThanOrEqual(7);
  expect(total('gloves')).toBeLessThanOrEqual(40);
  expect(total('mask')).toBe(hatchback.crew.people?.length ?? 1);
  // Ten square metres of paint in two coats, three roles: a few packs of towels, not thirty.
  expect(total('coating-towel')).toBeGreaterThanOrEqual(18);
  expect(total('coating-towel')).toBeLessThanOrEqual(60);
  expect(total('applicator')).toBeGreaterThanOrEqual(6);
  expect(total('applicator')).toBeLessThanOrEqual(24);
  expect(of('coating-towel')[0]!.note).toMatch(/each: bulk, refining, check\. Changed after .*takes over/);
  // The amounts are the plan's own.
  const need = planOf(hatchback).purchases.find(({ product }) => product === 'ledger-base')!.need;
  const base = lines(list).find(({ stock }) => stock?.kind === 'product' && stock.of === 'ledger-base')!;
  expect(base.amount / need).toBeGreaterThan(0.97);
  expect(base.amount / need).toBeLessThan(1.05);
});

test('what the preparation pours is counted as the sheet of that name', () => {
  const clay = lines(listOf(hatchback)).filter(({ stock }) => stock?.kind === 'kit');
  expect(clay.map(({ what }) => what)).toEqual(
    expect.arrayContaining([kit.sheets.find(({ id }) => id === 'clear-slip')!.name]),
  );
});

test('wheels want a soft brush a person', () => {
  expect(listOf(hatchback).find(({ key }) => key.startsWith('prepare/wheels'))!.lines).toContainEqual(
    expect.objectContaining({ what: 'Soft brushes', amount: hatchback.crew.people?.length ?? 1 }),
  );
});

test('protective equipment is short where it is not there, counted through the whole list, and not where it lies ready', () => {
  const list = listOf(hatchback);
  const short = (gloves: number, ticked: string[] = []) =>
    shortOf(list, ({ of }) => (of === 'gloves' ? gloves : 1e6), new Set(ticked)).map(({ line, has }) => [
      line.what,
      has,
    ]);
  expect(short(1e6)).toEqual([]);
  expect(short(3)).toEqual([['Nitrile gloves, pairs', 3]]);
  expect(short(3, ['worn/gloves'])).toEqual([]);
  // One stock serves many lines: what an earlier coat takes is not there for a later one.
  const towels = lines(list).filter(({ stock }) => stock?.of === 'coating-towel');
  const lacking = shortOf(list, ({ of }) => (of === 'coating-towel' ? towels[0]!.amount : 1e6), new Set());
  expect(lacking.map(({ line }) => line.key)).toEqual(towels.slice(1).map(({ key }) => key));
});

test('what is over is no longer on it; an excluded panel takes nothing; nothing laid, nothing to lay out for it', () => {
  const list = listOf(hatchback);
  const [, first] = list;
  const stage = { kind: first!.key.split('/')[1] as 'wash', round: 1 };
  const after = listOf(hatchback, [
    { id: 'a', atMin: 0, entry: { type: 'stage-start', stage, predictedMin: 10 } },
    { id: 'b', atMin: 9, entry: { type: 'stage-end', stage } },
  ]);
  expect(after.map(({ key }) => key)).not.toContain(first!.key);
  const without: Job = {
    ...hatchback,
    prepare: {
      ...hatchback.prepare,
      scope: hatchback.surfaces.map(({ id }) => ({ surface: id, state: 'excluded', reason: 'sold' })),
    },
  };
  expect(listOf(without)).toEqual([]);
  const bare = { ...hatchback, surfaces: hatchback.surfaces.map((surface) => ({ ...surface, layers: [] })) };
  expect(listOf(bare).some(({ key }) => key.startsWith('lay/'))).toBe(false);
});

test('one more of everything for a launch than for a motorcycle', () => {
  const towels = (job: Job) =>
    lines(listOf(job))
      .filter(({ stock }: PickLine) => stock?.of === 'coating-towel')
      .reduce((sum, { amount }) => sum + amount, 0);
  expect(towels(jobOf('marrow-launch'))).toBeGreaterThan(2 * towels(jobOf('satin-tourer')));
});
