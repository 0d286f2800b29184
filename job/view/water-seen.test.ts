/** What later visits see of a job's work. */
import { standingSurfaces, waterSeen } from '#core/care/upkeep';
import { MINUTES_PER_MONTH } from '#core/measures';
import { foldLog, type LoggedEntry } from '#core/lay/run';
import { loggedEntries } from '#formats/log';
import { planInput } from '#job/plan';
import { yardThatMorning } from '../../demo/that-morning';

test('drops of later visits pull the life of what they were read on, told from new and from bare on the same item', () => {
  const { draft, log } = yardThatMorning().jobs.find(({ id }) => id === 'slate-estate')!;
  const { document } = draft;
  const planned = planInput(document);
  const logged = loggedEntries(document.startAt, log);
  const later = (months: number, deg: number): LoggedEntry => ({
    id: `later-${months}`,
    atMin: months * MINUTES_PER_MONTH,
    entry: { type: 'bead', surface: 'front-door-left', deg, sigmaDeg: 2 },
  });
  const lifeOf = (...more: readonly LoggedEntry[]) => {
    const record = foldLog([...logged, ...more]);
    const standing = standingSurfaces(planned, record, {});
    const layer = standing.find(({ surface }) => surface.id === 'front-door-left')!.layers.at(-1)!;
    return { layer, seen: waterSeen(standing, record, 'front-door-left') };
  };
  const before = lifeOf();
  // New it was read at 103°, and the control at 67°: nothing is said yet.
  expect([before.layer.byWater, before.seen.length]).toEqual([undefined, 1]);
  const dead = lifeOf(later(2, 68));
  expect(dead.layer.life.months).toBeLessThan(before.layer.life.months);
  expect(dead.layer.renewMin).toBeLessThan(before.layer.renewMin);
  expect(dead.seen[1]!.left).toBeCloseTo((68 - 66.8) / (103.2 - 66.8), 2);
  expect(lifeOf(later(5, 102)).layer.life.months).toBeGreaterThan(before.layer.life.months);
});
