/** Taking off: what waiting costs, and a job made of it. */
import { standingSurfaces } from '#core/care/upkeep';
import { NO_KIT } from '#core/prepare/kit';
import { foldLog } from '#core/lay/run';
import { jobSchema } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
import { planInput } from '#job/plan';
import { paintForRemoval, prepareSettings } from '#job/prepare';
import { preparedWith } from '#job/view';
import { yardThatMorning } from '../../demo/that-morning';
import { costOfWaiting, removalJob } from '.';

const yard = yardThatMorning();
const jobOf = (id: string) => {
  const { draft, log } = yard.jobs.find((job) => job.id === id)!;
  return {
    document: draft.document,
    log: log.map((entry, nth): LogEntry => ({ ...entry, seq: nth, recordedAt: entry.at })),
  };
};
const waiting = (id: string, nowMin = 0) => {
  const { document, log } = jobOf(id);
  const planned = planInput(document);
  const record = foldLog(loggedEntries(document.startAt, log));
  return costOfWaiting(standingSurfaces(planned, record, {}), paintForRemoval(document, new Map()), nowMin);
};

test('what waiting costs stands in order of days; only the top is never more work than all of it', () => {
  for (const id of ['slate-estate', 'marrow-launch', 'two-door-classic', 'teal-hatchback']) {
    const days = waiting(id, 6000);
    expect(days[0]!.key).toBe('today');
    expect(days.map(({ atMin }) => atMin)).toEqual(days.map(({ atMin }) => atMin).toSorted((a, b) => a - b));
    for (const { all, top, correcting } of days) {
      expect(top.minutes).toBeLessThanOrEqual(all.minutes + 1e-9);
      // Polished anyway it costs no more minutes of its own, and no less paint.
      expect(correcting.minutes).toBeLessThanOrEqual(all.minutes + 1e-9);
      expect(correcting.clearUm).toBeGreaterThanOrEqual(all.clearUm - 1e-9);
      expect(all.staysChance).toBeGreaterThanOrEqual(0);
      expect(all.staysChance).toBeLessThanOrEqual(1);
    }
  }
});

test('panel by panel each waits for its own renewal: worn further where it lasts longer, and no later than its last', () => {
  const days = waiting('slate-estate', 6000);
  const [first, each] = [days.find(({ key }) => key === 'renewal')!, days.find(({ key }) => key === 'panel-by-panel')!];
  expect(each.atMin).toBeGreaterThan(first.atMin);
  // Wheels and paint last differently here; what has worn comes off no harder.
  expect(each.all.minutes).toBeLessThanOrEqual(first.all.minutes + 1e-9);
});

test('a coating is easier off before it is hard, and from then on only by machine; with nothing on it there is nothing to say', () => {
  const days = waiting('marrow-launch', 600);
  const [today, hard] = [days.find(({ key }) => key === 'today')!, days.find(({ key }) => key === 'hard')!];
  expect(hard.all.minutes).toBeGreaterThan(today.all.minutes);
  expect(waiting('satin-tourer')).toEqual([]);
});

test('made a job at a tap: the item as it is, taking off in its preparation on those panels and no other, nothing planned over it', () => {
  const { document, log } = jobOf('slate-estate');
  const startAt = '2027-06-01T09:00:00+02:00';
  const made = removalJob(document, log, { surfaces: ['bonnet', 'roof', 'windscreen'], takes: 'all', startAt })!;
  expect(jobSchema.parse(JSON.parse(JSON.stringify(made)))).toBeTruthy();
  const { panels, stages } = preparedWith(made, prepareSettings(made, undefined, NO_KIT)).preparation;
  const stripped = panels.filter(({ steps }) => steps.some(({ kind }) => kind === 'strip-found')).map(({ id }) => id);
  expect(stripped.toSorted()).toEqual(['bonnet', 'roof']);
  expect(stages.some(({ kind }) => kind === 'strip-found')).toBe(true);
  // Not late from the start by the promise of the earlier visit.
  expect(document.owner!.needsBy).toBeDefined();
  expect(made.owner).toEqual({ parking: 'street', wash: 'hand' });
  expect(made.surfaces.every(({ layers }) => layers.length === 0)).toBe(true);
  expect(made.surfaces.find(({ id }) => id === 'bonnet')!.existing).toEqual(['sealant']);
  expect(removalJob(document, log, { surfaces: ['windscreen'], takes: 'all', startAt })).toBeUndefined();
});
