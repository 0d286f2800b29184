import fc from 'fast-check';
import { panel, settings, swirled } from '../../testing/preparation';
import { prepareItem } from './item';
import { learnedUse, lessonOf } from './lessons';
import { learnedShare, sharesSeen } from './marks-gone';
import type { MarkOutcome } from './observations';
import { afterStageEntry, type StageRecord, withObservation } from './stage-log';

const outcome = (what: MarkOutcome['outcome']) =>
  ({ level: 'one-step', kind: 'swirls', severity: 'medium', outcome: what }) as const;

test('the share that goes is drawn from the usual one to what was really seen', () => {
  const share = (seen: readonly MarkOutcome['outcome'][]) =>
    prepareItem(
      [panel({ marks: swirled('medium') })],
      settings({ level: 'one-step', sharesSeen: sharesSeen(seen.map(outcome)) }),
    ).goneShare!;
  expect(share([])).toBeCloseTo(0.75, 9);
  expect(share(['stays'])).toBeCloseTo((0.75 * 3) / 4, 9);
  expect(share(['removed', 'reduced'])).toBeCloseTo((0.75 * 3 + 1.5) / 5, 9);
  expect(share(Array.from({ length: 60 }, () => 'reduced' as const))).toBeCloseTo(0.5, 1);
});

test('law: a learned share stays between nothing and all, and more marks gone never lowers it', () => {
  const usual = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(usual, fc.nat(50), fc.nat(50), (share, count, gone) => {
      const some = Math.min(gone, count);
      const learned = learnedShare(share, { count, gone: some });
      expect(learned).toBeGreaterThanOrEqual(0);
      expect(learned).toBeLessThanOrEqual(1);
      expect(learnedShare(share, { count: count + 1, gone: some + 1 })).toBeGreaterThanOrEqual(learned - 1e-12);
    }),
  );
});

test('what is really used teaches the next plan, the last word of a stage counting', () => {
  const stage = { kind: 'iron', round: 1 } as const;
  const begun = afterStageEntry(undefined, { type: 'stage-start', stage, predictedMin: 10 }, 0);
  const used = (record: StageRecord, amount: number) =>
    withObservation(record, { type: 'stage-used', stage, what: 'iron remover', unit: 'ml', predicted: 100, amount }, 0);
  const corrected = used(used(begun, 900), 150);
  expect(corrected.used).toHaveLength(1);
  const { factor } = learnedUse([lessonOf([corrected, used(begun, 150), used(begun, 150)], [])]).get('iron remover')!;
  expect(factor).toBeGreaterThan(1.35);
  expect(factor).toBeLessThan(1.5);
  const bled = [panel({ iron: 'bleeds' })];
  const planned = (learned?: ReadonlyMap<string, number>) =>
    prepareItem(bled, settings({ learnedUse: learned })).uses.find(({ what }) => what === 'iron remover')!.amount;
  expect(planned(new Map([['iron remover', factor]]))).toBeCloseTo(planned() * factor, 9);
  expect(learnedUse([lessonOf([used(begun, 0)], [])]).size).toBe(0);
  expect(withObservation(begun, { type: 'stage-found', stage, note: 'a badge is loose' }, 0).found).toEqual([
    'a badge is loose',
  ]);
});
