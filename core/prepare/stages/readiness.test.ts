/** What is needed before anything is laid: a wash always, decontamination and a wipe under what bonds. */
import fc from 'fast-check';
import type { CleanerSheet, LiquidSheet } from '#core/prepare/kit';
import { anyPanel, anySettings, panel, settings } from '../../testing/preparation';
import { isDone } from './panel-case';
import { preparePanel } from './panel';
import { lackingOn, stillToDo } from './readiness';
import type { PanelCase, PrepareSettings } from './panel-case';

const rough: Partial<PanelCase> = { touch: 'rough', iron: 'bleeds' };
const lacks = (subject: Partial<PanelCase>, how: Partial<PrepareSettings> = {}) => {
  const own = panel(subject);
  return lackingOn(own, preparePanel(own, settings(how)).steps).map(({ need, isLeftOut }) => [need, isLeftOut]);
};

test('what is left out by hand is lacking, each need by itself; one step of decontamination is enough', () => {
  expect(lacks(rough)).toEqual([]);
  expect(lacks(rough, { leftOut: new Set(['wash']) })).toEqual([['wash', true]]);
  expect(lacks(rough, { leftOut: new Set(['bonnet/panel-wipe']) })).toEqual([['wipe', true]]);
  expect(lacks(rough, { leftOut: new Set(['clay']) })).toEqual([]);
  expect(lacks(rough, { leftOut: new Set(['clay', 'iron']) })).toEqual([['decontamination', true]]);
  // Wax asks for clean paint only; where nothing is laid, nothing is needed.
  const all = new Set(['wash', 'clay', 'iron', 'panel-wipe']);
  expect(lacks({ ...rough, toCome: ['paste-wax'] }, { leftOut: all })).toEqual([['wash', true]]);
  expect(lacks({ ...rough, toCome: [] }, { leftOut: all })).toEqual([]);
  // Done elsewhere, on somebody's word.
  expect(lacks({ ...rough, cameWith: ['wash', 'decontamination'] }, { leftOut: all })).toEqual([['wipe', true]]);
});

test('what a rule forbids on such a panel is not needed there: satin without clay, a priming polish without a wipe', () => {
  expect(lacks({ substrate: 'clear-matte', touch: 'rough', iron: undefined })).toEqual([]);
  expect(lacks({ existing: ['ceramic-primer'], toCome: ['ceramic-base'] }, { level: 'none' })).toEqual([]);
});

test('on an aircraft nothing is washed, wiped or polished with what is not approved: neither cleaner nor liquid', () => {
  const aircraft = { substrate: 'aircraft-paint', aircraft: true, toCome: ['sealant'] } as const;
  const soap = (aviationApproved: boolean): CleanerSheet => ({
    kind: 'cleaner',
    id: 'soap',
    name: 'Soap',
    serves: ['pre-wash', 'wash', 'prep-wash'],
    notFor: [],
    dilution: 0,
    mlPer: 3,
    aviationApproved,
  });
  const polish = (aviationApproved: boolean): LiquidSheet => ({
    kind: 'liquid',
    id: 'polish',
    name: 'Polish',
    grade: 'one-step',
    diminishing: false,
    filling: false,
    mlPerDot: 0.6,
    dotsFirst: 5,
    dotsLoaded: 3,
    aviationApproved,
  });
  const kit = (...sheets: (CleanerSheet | LiquidSheet)[]) => ({ kit: { sheets, things: [] } });
  expect(lacks(aircraft, kit(soap(false)))).toEqual([['wash', false]]);
  expect(lacks(aircraft, kit())).toEqual([['wash', false]]);
  expect(lacks(aircraft, kit(soap(true)))).toEqual([]);
  const polished = (approved: boolean) =>
    preparePanel(panel(aircraft), settings({ level: 'one-step', ...kit(soap(true), polish(approved)) })).steps.find(
      ({ kind }) => kind === 'single-stage',
    );
  expect(polished(false)!.impossible).toMatch(/approved for aircraft/);
  expect(polished(true)!.impossible).toBeUndefined();
});

test('law: what is lacking is still to do, and once every step done is ticked off nothing else is', () => {
  fc.assert(
    fc.property(anyPanel, anySettings, (subject, how) => {
      const { steps } = preparePanel(subject, how);
      const lacking = lackingOn(subject, steps).map(({ need }) => need);
      const open = (through: (step: (typeof steps)[number]) => boolean) =>
        stillToDo(subject, steps, through).map(({ need }) => need);
      expect(open(isDone)).toEqual(lacking);
      expect(open(() => true)).toEqual([]);
      for (const need of lacking) expect(open(() => false)).toContain(need);
    }),
    { numRuns: 300 },
  );
});
