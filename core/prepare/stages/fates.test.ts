import fc from 'fast-check';
import { OUTCOME_NAMES, OUTCOMES } from '#core/survey/condition';
import { SUBSTRATES } from '#core/item/substrates';
import { anyPanel, anySettings, panel, settings, swirled } from '../../testing/preparation';
import { fateInWords, fateOf } from './fates';
import { preparePanel } from './panel';

const said = (outcome: (typeof OUTCOMES)[number] | undefined, ...how: Parameters<typeof settings>) => {
  const own = panel({ marks: swirled('medium') });
  return fateInWords(fateOf({ outcome }, preparePanel(own, settings(...how)).goes[0]), OUTCOME_NAMES);
};

test('a mark goes as far as this plan takes it, whatever was hoped for; that it stays is agreed', () => {
  // Medium swirls: two steps 95 %, one step 75 %, a gloss refresh 30 %, no correction none of it.
  expect(said(undefined, { level: 'two-step' })).toBe('Goes');
  expect(said('removed', { level: 'one-step' })).toBe('Is eased: about 75 % of it goes');
  expect(said(undefined, { level: 'gloss-refresh' })).toBe('Is eased: about 30 % of it goes');
  expect(said('removed', { level: 'none' })).toBe('Stays');
  expect(said('stays', { level: 'full' })).toBe('Stays, as agreed');
});

test('law: on satin, and wherever nothing is corrected, no mark that takes a polish is told to go or to be eased', () => {
  fc.assert(
    fc.property(
      anyPanel,
      anySettings,
      fc.option(fc.constantFrom(...OUTCOMES), { nil: undefined }),
      (own, how, outcome) => {
        const { goes, level } = preparePanel(own, how);
        for (const [nth, fate] of goes.entries()) {
          const mark = own.marks[nth]!;
          if (mark.kind !== 'swirls' && mark.kind !== 'deep-scratch') continue;
          if (!SUBSTRATES[own.substrate].matte && level.level !== 'none') continue;
          expect(['stays', 'hidden']).toContain(fateOf({ outcome }, fate).outcome);
        }
      },
    ),
  );
});
