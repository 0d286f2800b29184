import { MINUTES_PER_MONTH } from '#core/measures';
import { foldLog, type LoggedEntry, type RunEntry, progressOf, runSheet } from '#core/lay/run';
import { job, product, surface } from '../../testing/samples';
import { standingSurfaces } from './care';
import { firstRenewMin, firstWashMin, phaseOf } from './phase';

const coating = product({
  ratedMonths: 24,
  milestones: [
    { name: 'levelFrom', clock: 'flash', min: 2 },
    { name: 'levelBy', clock: 'flash', min: 6 },
    { name: 'waterSafe', clock: 'set', min: 600 },
    { name: 'handover', clock: 'set', min: 900 },
    { name: 'washOk', clock: 'set', min: 5 * 1440 },
  ],
});
const planned = job({ products: [coating], surfaces: [surface(), surface({ id: 'lid', name: 'Lid' })] });

/** The log of a run that goes by the sheet, one tap every so often, until it has made `taps`. */
function worked(taps: number, everyMin = 1.5): LoggedEntry[] {
  const log: LoggedEntry[] = [];
  for (let now = 0; log.length < taps; now += everyMin) {
    const { current } = runSheet(planned, foldLog(log), now);
    if (!current) break;
    const { patch, coat, laid, areaM2, amount } = current;
    const start = { product: coat.product, sections: laid.sectionsPerCopy, areaM2, amount };
    const next: Readonly<Record<string, RunEntry>> = {
      todo: { type: 'lay-start', patch, start },
      laying: { type: 'lay-end', patch },
      waiting: { type: 'level-start', patch },
      levelling: { type: 'level-end', patch },
    };
    log.push({ id: `t${log.length}`, atMin: now, entry: next[current.state]! });
  }
  return log;
}

function phaseAfter(taps: number, nowMin: number, of = planned) {
  const record = foldLog(worked(taps));
  return phaseOf(progressOf(runSheet(of, record, nowMin), record), standingSurfaces(of, record, {}), nowMin);
}

describe('where a job stands', () => {
  test('before the first tap: surveyed without layers, planned with them, refused ones included', () => {
    expect(phaseAfter(0, 0, job({ surfaces: [surface({ layers: [] })], products: [] }))).toBe('survey');
    expect(phaseAfter(0, 0)).toBe('planned');
    const refused = job({ surfaces: [surface({ substrate: 'glass' })], products: [coating] });
    expect(phaseAfter(0, 0, refused)).toBe('planned');
  });

  test('from the first tap to the last it runs; then it cures, is ready, and is in care', () => {
    const all = worked(Infinity).length;
    for (let taps = 1; taps < all; taps++) expect(phaseAfter(taps, 20)).toBe('running');
    const end = worked(Infinity).at(-1)!.atMin;
    expect(phaseAfter(all, end + 1)).toBe('curing');
    expect(phaseAfter(all, end + 899)).toBe('curing');
    expect(phaseAfter(all, end + 901)).toBe('ready');
    expect(phaseAfter(all, end + 5 * 1440 - 1)).toBe('ready');
    expect(phaseAfter(all, end + 5 * 1440 + 1)).toBe('in-care');
  });

  test('what never cures never leaves the curing', () => {
    const dry = { ...planned, ambient: [{ atMin: 0, airC: 20, rhPct: 0, airSpeed: 0.1 }] as const };
    const record = foldLog(worked(Infinity));
    const sheet = progressOf(runSheet(dry, record, 1e6), record);
    expect(phaseOf(sheet, standingSurfaces(dry, record, {}), 1e6)).toBe('curing');
  });
});

describe('the moments after', () => {
  const standing = standingSurfaces(planned, foldLog(worked(Infinity)), { parking: 'indoor', wash: 'hand' });
  const ends = standing.flatMap(({ layers }) => layers.map(({ endMin }) => endMin));

  test('the item is washed when its last layer may be, and renewed when its first wears out', () => {
    expect(firstWashMin(standing)).toBeCloseTo(Math.max(...ends) + 5 * 1440, 6);
    const life = standing[0]!.layers[0]!.life.months;
    expect(firstRenewMin(standing)).toBeCloseTo(Math.min(...ends) + life * MINUTES_PER_MONTH, 6);
    expect(firstWashMin([])).toBeNull();
    expect(firstRenewMin(standingSurfaces(planned, foldLog([]), {}))).toBeNull();
  });
});
