/** A job as preparation sees it: its panels, its settings, the pairs its test spots found, the clear it took. */
import { NO_KIT } from '#core/prepare/kit';
import { climbLadder, isDone, LEVELS, stageKey, USUAL_GOAL_PCT, USUAL_SCHOOLS } from '#core/prepare/stages';
import { entryFault, foldLog, type LoggedEntry } from '#core/lay/run';
import type { JobInput } from '#formats/job';
import { preparedWith } from '#job/view';
import { plainJob } from '../testing/plain-job';
import { clearTakenUm, pairsFound, panelCases, prepareSettings } from '.';

type Surface = NonNullable<JobInput['surfaces']>[number];
const panel = (id: string, parts: Partial<Surface> = {}): Surface => ({
  id,
  substrate: 'clear-gloss',
  shape: { kind: 'rectangle', aMm: 1000, bMm: 1000 },
  readingsUm: [120, 121, 122],
  marks: [{ id: 'm', kind: 'swirls', severity: 'medium', at: [0.5, 0.5] }],
  layers: [],
  ...parts,
});
const job = (parts: Partial<JobInput>) => plainJob(parts).document;

test('area and edge are those of all copies together, on curved panels developed', () => {
  const [flat, pair, round] = panelCases(
    job({ surfaces: [panel('a'), panel('b', { count: 2 }), panel('c', { curvature: 1.2 })] }),
  );
  expect([flat!.areaM2, pair!.areaM2, round!.areaM2]).toEqual([1, 2, 1.2]);
  expect([flat!.edgeM, pair!.edgeM]).toEqual([4, 8]);
});

test('settings that were chosen stand, and every one that was not is usual', () => {
  expect(prepareSettings(job({}))).toMatchObject({ level: 'one-step', schools: USUAL_SCHOOLS });
  const chosen = prepareSettings(
    job({ prepare: { level: 'full', schools: { wipe: 'twice' }, site: { power: false } } }),
  );
  expect(chosen.level).toBe('full');
  expect(chosen.site.power).toBe(false);
  expect(chosen.site.runningWater).toBe(true);
  expect(chosen.schools.wipe).toBe('twice');
  expect(chosen.schools.iron).toBe(USUAL_SCHOOLS.iron);
});

test('the pair of a panel is the one its ladder ends with, and a panel whose goal was not met has none', () => {
  const spot = (surface: string, pair: 'soft-finishing' | 'medium-onestep' | 'wool-compound', gonePct: number) => ({
    surface,
    pair,
    gonePct,
    hazePct: 0,
    minutes: 3,
  });
  const tests = [
    spot('a', 'soft-finishing', 40),
    spot('a', 'medium-onestep', 85),
    spot('a', 'wool-compound', 99),
    spot('b', 'soft-finishing', 30),
  ];
  const document = job({ surfaces: [panel('a', { name: 'Bonnet' }), panel('b')], prepare: { tests } });
  expect(pairsFound(document)).toEqual([{ surface: 'Bonnet', pair: 'medium-onestep', gonePct: 85 }]);
  expect(climbLadder(tests.slice(0, 3), USUAL_GOAL_PCT).found).toBe('medium-onestep');
});

describe('the clear a visit took', () => {
  const document = job({
    surfaces: [panel('a'), panel('satin', { substrate: 'clear-matte' })],
    prepare: { level: 'two-step' },
  });
  const polishing = ['cutting', 'refining'] as const;
  const ended = (kinds: readonly string[]): LoggedEntry[] =>
    kinds.flatMap((kind, index) => {
      const stage = { kind: kind as 'cutting', round: 1 };
      return [
        { id: `s${index}`, atMin: index * 60, entry: { type: 'stage-start' as const, stage, predictedMin: 30 } },
        { id: `e${index}`, atMin: index * 60 + 30, entry: { type: 'stage-end' as const, stage } },
      ];
    });

  test('is the upper end of every polish that was finished, and of none that was only begun', () => {
    const steps = preparedWith(document, prepareSettings(document, undefined, NO_KIT)).preparation.panels.find(
      ({ id }) => id === 'a',
    )!.steps;
    const most = (kinds: readonly string[]) =>
      steps.filter(({ kind }) => kinds.includes(kind)).reduce((sum, { clearUm }) => sum + clearUm[1], 0);
    expect(clearTakenUm(document, foldLog([])).size).toBe(0);
    for (const kinds of [polishing.slice(0, 1), polishing]) {
      expect(clearTakenUm(document, foldLog(ended(kinds))).get('a')).toBeCloseTo(most(kinds), 9);
    }
    const begun = ended(polishing).slice(0, 1);
    expect(clearTakenUm(document, foldLog(begun)).size).toBe(0);
    // Ticked off while the stage goes on at other panels, a panel is through with it; once.
    const stage = { kind: 'cutting' as const, round: 1 };
    const through: LoggedEntry = { id: 't', atMin: 12, entry: { type: 'stage-panel', stage, surface: 'a' } };
    const ticked = foldLog([...begun, through]);
    expect([...clearTakenUm(document, ticked)]).toEqual([['a', expect.closeTo(most(['cutting']), 9)]]);
    expect(entryFault(ticked, [], through.entry)).toContain('through with it already');
    expect(entryFault(foldLog([]), [], through.entry)).toContain('not begun');
  });

  test('is what was measured where it was, and nothing on satin', () => {
    const measured: LoggedEntry = { id: 'm', atMin: 300, entry: { type: 'clear-taken', surface: 'a', um: 1.4 } };
    const taken = clearTakenUm(document, foldLog([...ended(polishing), measured]));
    expect([...taken]).toEqual([['a', 1.4]]);
  });
});

test('a working day has every step of every panel once, ends after it begins, and is as long as its work and its waits', () => {
  for (const level of LEVELS) {
    const document = job({ surfaces: [panel('a'), panel('b')], prepare: { level } });
    const { preparation, day } = preparedWith(document, prepareSettings(document, undefined, NO_KIT));
    const done = day.turns.flatMap(({ kind, round, surfaces }) =>
      surfaces.map((id) => `${id}/${stageKey({ kind, round })}`),
    );
    const wanted = preparation.panels.flatMap(({ id, steps }) =>
      steps.filter(isDone).map(({ kind, round }) => `${id}/${stageKey({ kind, round })}`),
    );
    expect(done.toSorted()).toEqual(wanted.toSorted());
    for (const { fromMin, toMin } of day.turns) expect(toMin).toBeGreaterThan(fromMin);
    expect(day.elapsedMin).toBeCloseTo(preparation.minutes + day.waitedMin, 6);
    expect(day.readyMin).toBeGreaterThanOrEqual(Math.max(...day.turns.map(({ toMin }) => toMin)) - 1e-9);
  }
});
