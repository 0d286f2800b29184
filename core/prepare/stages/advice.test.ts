import { panel } from '../../testing/preparation';
import { adviseLevel, USES } from './advice';
import { looseEnds, waterHides } from './closing';
import { compareLevels, prepareItem } from './item';
import { inOwnersWords } from './owner-words';
import type { PanelCase } from './panel-case';
import { USUAL_SCHOOLS } from './schools';
import { FULL_SITE } from './site';
import { afterStageEntry } from './stage-log';

const settings = { level: 'one-step' as const, schools: USUAL_SCHOOLS, site: FULL_SITE, leftOut: new Set<string>() };
const swirled = panel({ marks: [{ id: 'a', kind: 'swirls', severity: 'medium' }] });
const scratched = panel({
  marks: [
    { id: 'a', kind: 'swirls', severity: 'heavy' },
    { id: 'b', kind: 'deep-scratch', severity: 'medium' },
  ],
});
const advice = (subject: PanelCase, use: (typeof USES)[number]) => adviseLevel(compareLevels([subject], settings), use);

test('use against use: a work vehicle the least, a show piece the most, a sale what a buyer sees', () => {
  expect(USES.map((use) => [use, advice(scratched, use).level])).toEqual([
    ['daily', 'full'],
    ['work', 'gloss-refresh'],
    ['show', 'full'],
    ['sale', 'two-step'],
  ]);
  expect(advice(swirled, 'daily').level).toBe('two-step');
  expect(advice(swirled, 'sale').level).toBe('one-step');
  expect(advice(swirled, 'sale').why).toContain('75 % of the marks go');
});

test('where nothing can be moved, nothing is sold', () => {
  for (const use of USES)
    expect(advice(panel({ faultless: true }), use).level).toBe(use === 'work' ? 'none' : 'gloss-refresh');
});

test('a stage passed over is told, one that is simply still to come is not; a twin left out on one side is told', () => {
  const cases = [
    panel({ id: 'door-left' }),
    panel({ id: 'door-right', scope: { state: 'excluded', reason: 'painter comes on Friday' } }),
  ];
  const prepared = prepareItem(cases, settings);
  expect(looseEnds(prepared, cases, new Map())).toEqual([
    { what: 'is in this job on one side only', surface: 'door-right' },
  ]);
  const unlike = (changes: Partial<PanelCase>) => {
    const doors = [panel({ id: 'door-left' }), panel({ id: 'door-right', ...changes })];
    return looseEnds(prepareItem(doors, settings), doors, new Map()).map(({ what }) => what);
  };
  expect(unlike({ toCome: ['sealant'] })).toEqual(['gets another stack than its twin']);
  expect(unlike({ faultless: true })).toEqual(['is corrected to another level than its twin']);
  expect(unlike({})).toEqual([]);
  const start = (kind: 'wash' | 'dry') =>
    afterStageEntry(undefined, { type: 'stage-start', stage: { kind, round: 1 }, predictedMin: 5 }, 0);
  const wash = start('wash');
  const loose = (stages: Parameters<typeof looseEnds>[2]) =>
    looseEnds(prepared, cases, stages).flatMap(({ what, surface }) => (surface ? [] : [what]));
  expect(loose(new Map([['wash/1', wash]]))).toEqual(['Pre-wash foam: not begun']);
  const dry = afterStageEntry(start('dry'), { type: 'stage-end', stage: { kind: 'dry', round: 1 } }, 9);
  expect(
    loose(
      new Map([
        ['wash/1', wash],
        ['dry/1', dry],
      ]),
    ),
  ).toEqual(['Pre-wash foam: not begun', 'Two-bucket wash: not finished', 'Iron remover: not begun']);
});

test('what was wiped stands no longer than a working day: over night it is wiped again, once it is laid never', () => {
  const cases = [panel()];
  const stage = { kind: 'panel-wipe', round: 1 } as const;
  const started = afterStageEntry(undefined, { type: 'stage-start', stage, predictedMin: 5 }, 0);
  const done = new Map([['panel-wipe/1', afterStageEntry(started, { type: 'stage-end', stage }, 10)]]);
  const stood = (waitingMin?: number) =>
    looseEnds(prepareItem(cases, settings), cases, done, waitingMin).some(({ what }) => /wipe again/.test(what));
  expect([stood(480), stood(491), stood(undefined)]).toEqual([false, true, false]);
});

test('water hides where this item has gaps', () => {
  const surfaces = [
    { name: 'Mirror cap, left', substrate: 'clear-gloss', piece: 'mirror' },
    { name: 'Mirror cap, right', substrate: 'clear-gloss', piece: 'mirror' },
    { name: 'Bonnet', substrate: 'clear-gloss' },
    { name: 'Tail lamp, left', substrate: 'lens-plastic' },
  ] as const;
  expect(waterHides(surfaces)).toEqual(['Mirror cap', 'Tail lamp']);
});

test('what becomes of the marks in an owner’s words, what stays first', () => {
  const marks = [
    { id: 'a', kind: 'swirls', on: 'Bonnet' },
    { id: 'b', kind: 'swirls', on: 'Roof' },
    { id: 'c', kind: 'swirls', on: 'Boot lid' },
    { id: 'd', kind: 'deep-scratch', on: 'Front door, left' },
    { id: 'e', kind: 'etching', on: 'Roof' },
  ] as const;
  const fates = [
    ...['a', 'b', 'c'].map((mark) => ({ mark, share: 0.75 })),
    { mark: 'd', share: 0.1 },
    { mark: 'e', share: 0, hidden: true as const },
  ];
  expect(inOwnersWords(marks, fates)).toEqual([
    { words: 'the water-spot etching on the roof is hidden', stays: true },
    { words: 'the deep scratch on the left front door stays', stays: true },
    { words: 'the fine swirls on 3 panels mostly go', stays: false },
  ]);
  expect(inOwnersWords([], [])).toEqual([]);
});
