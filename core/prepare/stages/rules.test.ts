/** The rules of preparation, over any panel and any settings. */
import fc from 'fast-check';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/item/substrates';
import { MINUTES_PER_DAY } from '#core/measures';
import { STEP_KIND_IDS } from '#core/prepare/steps';
import { anyPanel, anySettings, panel, settings } from '../../testing/preparation';
import { preparePanel } from './panel';
import { isDone } from './panel-case';
import { PREPARE_RULE_IDS, PREPARE_RULES, prepareRuling } from '#core/prepare/rules';

test.each(PREPARE_RULE_IDS)('%s is read in whole sentences and speaks somewhere', (rule) => {
  const { says, because, judge } = PREPARE_RULES[rule];
  for (const words of [says, because]) expect(words).toMatch(/^[A-Z].{10,}\.$/);
  const spoken = SUBSTRATE_IDS.flatMap((substrate) =>
    STEP_KIND_IDS.map((kind) =>
      judge({
        kind,
        polished: false,
        panel: panel({
          substrate,
          breathesForMin: MINUTES_PER_DAY,
          existing: ['ceramic-primer'],
          marks: [{ id: 'z', kind: 'crazing', severity: 'light' }],
        }),
      }),
    ),
  );
  expect(spoken.some((reason) => reason !== undefined)).toBe(true);
});

test('law: no step that is done is one a rule is against, whatever the panel and the settings', () => {
  fc.assert(
    fc.property(anyPanel, anySettings, (subject, how) => {
      for (const step of preparePanel(subject, how).steps.filter(isDone)) {
        expect(prepareRuling({ kind: step.kind, panel: subject, polished: true })).toBeUndefined();
      }
    }),
    { numRuns: 300 },
  );
});

test('fresh paint is neither wiped with solvent nor sanded until it has breathed', () => {
  const wipe = (days: number) =>
    preparePanel(panel({ breathesForMin: days * MINUTES_PER_DAY }), settings()).steps.find(
      ({ kind }) => kind === 'panel-wipe',
    )!;
  expect(wipe(12)).toMatchObject({
    rule: 'fresh-paint-no-solvent',
    impossible: expect.stringContaining('12 more days'),
  });
  expect(wipe(-1).impossible).toBeUndefined();
});

test('what cannot take solvent is masked or wiped mildly, and never both wiped ways', () => {
  for (const substrate of SUBSTRATE_IDS) {
    const kinds = preparePanel(panel({ substrate, toCome: ['ceramic'] }), settings())
      .steps.filter(isDone)
      .map(({ kind }) => kind);
    if (SUBSTRATES[substrate].noSolvent) expect([substrate, kinds.includes('panel-wipe')]).toEqual([substrate, false]);
    expect([substrate, kinds.includes('panel-wipe') && kinds.includes('mild-wipe')]).toEqual([substrate, false]);
  }
});
