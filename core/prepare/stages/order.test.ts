import fc from 'fast-check';
import { STEP_KINDS } from '#core/prepare/steps';
import { anyPanel, anySettings, panel, settings, swirled } from '../../testing/preparation';
import { prepareItem } from './item';
import { workingDay } from './order';
import { isDone, type PanelCase, type PrepareSettings } from './panel-case';
import { USUAL_SCHOOLS } from './schools';

const day = (panels: readonly PanelCase[], how: PrepareSettings) => workingDay(prepareItem(panels, how), panels, how);
const fill = { ...USUAL_SCHOOLS, chips: 'fill' } as const;
const chipped = panel({ marks: [{ id: 'c', kind: 'chip', severity: 'medium' }, ...swirled('medium')] });
const doors = ['left', 'right'].map((side) =>
  panel({ id: `door-${side}`, zone: side as 'left', marks: swirled('medium') }),
);

test('while a filled chip dries, the other panels are cut; the clock shows less than work and drying together', () => {
  const { turns, elapsedMin, waitedMin, readyMin } = day([chipped, ...doors], settings({ schools: fill }));
  const between = turns.filter(({ meanwhile }) => meanwhile);
  expect(between.map(({ kind }) => kind)).toContain('cutting');
  expect(between.flatMap(({ surfaces }) => surfaces)).not.toContain('bonnet');
  const coats = turns.filter(({ kind }) => kind === 'chip-fill');
  expect(coats).toHaveLength(3);
  for (const [index, coat] of coats.slice(1).entries()) {
    expect(coat.fromMin).toBeGreaterThanOrEqual(coats[index]!.toMin + STEP_KINDS['chip-fill'].driesMin! - 1e-6);
  }
  const alone = day([chipped], settings({ schools: fill }));
  expect(alone.waitedMin).toBeGreaterThan(100);
  expect(waitedMin).toBeLessThan(alone.waitedMin);
  // Overnight before anything lies over the fill.
  expect(readyMin).toBeGreaterThan(elapsedMin + 300);
});

test('what is sprayed on dwells once in the shade, and panel by panel in the sun', () => {
  const bled = [panel({ iron: 'bleeds' }), panel({ id: 'roof', iron: 'bleeds' })];
  const ironOf = (shade: boolean) => {
    const how = settings({ site: { ...settings().site, shade } });
    const turn = day(bled, how).turns.find(({ kind }) => kind === 'iron')!;
    return [turn.toMin - turn.fromMin, prepareItem(bled, how).stages.find(({ kind }) => kind === 'iron')!.minutes];
  };
  expect(ironOf(true)).toEqual([expect.closeTo(2 * 2.25 + 4, 9), expect.closeTo(2 * 2.25 + 4, 9)]);
  expect(ironOf(false)).toEqual([expect.closeTo(2 * 2.25 + 8, 9), expect.closeTo(2 * 2.25 + 8, 9)]);
});

test('zone by zone finishes one side before the other is cut; stage by stage cuts both first', () => {
  const firstWipe = (order: 'zone-by-zone' | 'stage-by-stage') => {
    const { turns } = day(doors, settings({ schools: { ...USUAL_SCHOOLS, order } }));
    const cuts = turns.filter(({ kind }) => kind === 'cutting');
    return turns.find(({ kind }) => kind === 'panel-wipe')!.fromMin < cuts.at(-1)!.toMin;
  };
  expect(firstWipe('zone-by-zone')).toBe(true);
  expect(firstWipe('stage-by-stage')).toBe(false);
});

test('law: every step once, nothing at the same time, nothing on what is still drying, order kept on each panel', () => {
  fc.assert(
    fc.property(fc.array(anyPanel, { minLength: 1, maxLength: 6 }), anySettings, (subjects, how) => {
      const panels = subjects.map((subject, index) => ({ ...subject, id: `p${index}` }));
      const prepared = prepareItem(panels, how);
      const { turns, elapsedMin, waitedMin, readyMin } = workingDay(prepared, panels, how);
      const steps = prepared.stages.flatMap((stage) => stage.steps).filter(isDone);
      expect(turns.flatMap(({ surfaces }) => surfaces)).toHaveLength(steps.length);
      const freeAt = new Map<string, number>();
      let before = 0;
      for (const { kind, surfaces, fromMin, toMin } of turns) {
        expect(fromMin).toBeGreaterThanOrEqual(before - 1e-6);
        for (const surface of surfaces) {
          if (surfaces.length === 1) expect(fromMin).toBeGreaterThanOrEqual((freeAt.get(surface) ?? 0) - 1e-6);
          // A turn tells when its last panel is finished.
          const doneMin = surface === surfaces.at(-1) ? toMin : fromMin;
          freeAt.set(surface, doneMin + (STEP_KINDS[kind].driesMin ?? 0));
        }
        before = toMin;
      }
      // Only dwell that was taken up again in another turn may add to the work of the stages.
      expect(elapsedMin).toBeGreaterThanOrEqual(prepared.minutes + waitedMin - 1e-6);
      expect(readyMin).toBeGreaterThanOrEqual(elapsedMin - 1e-6);
      const wet = turns.filter(({ kind }) => kind === 'wash' || kind === 'dry').at(-1)?.toMin ?? 0;
      const cut = turns.find(({ kind }) => kind === 'cutting')?.fromMin ?? Infinity;
      expect(cut).toBeGreaterThanOrEqual(wet - 1e-6);
    }),
    { numRuns: 200 },
  );
});
