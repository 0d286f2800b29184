import { phaseOf, standingSurfaces } from '#core/care/upkeep';
import { entryFault, foldLog, progressOf, runSheet } from '#core/lay/run';
import { readJob } from '#formats/job';
import { loggedEntries, newEntrySchema } from '#formats/log';
import { layOut } from '#core/lay/run-sheet';
import { instantAfter, minuteOfDay, minutesBetween } from '#formats/values';
import { planInput } from '#job/plan';
import { type SampleJob, ternmouthYard } from './workshop';

// Generous: the machine may be busy with a browser.

const NOW = '2027-03-02T10:40:00+01:00';

function stageAt({ draft, log }: SampleJob, now: string) {
  const { document } = draft;
  const planned = planInput(document);
  const record = foldLog(loggedEntries(document.startAt, log));
  const nowMin = minutesBetween(document.startAt, now);
  const sheet = progressOf(runSheet(planned, record, Math.max(0, nowMin)), record);
  return phaseOf(sheet, standingSurfaces(planned, record, {}), nowMin);
}

describe.each([NOW, '2027-07-14T23:50:00+02:00', '2027-12-31T05:00:00Z'])('the sample workshop at %s', (now) => {
  const yard = ternmouthYard(now);

  test('has a job in every state', () => {
    expect(Object.fromEntries(yard.jobs.map((job) => [job.id, stageAt(job, now)]))).toEqual({
      'teal-hatchback': 'running',
      'teal-hatchback-sealant': 'in-care',
      'marrow-launch': 'curing',
      'satin-tourer': 'planned',
      'hotel-shuttle': 'survey',
      'two-door-classic': 'in-care',
      'two-seater': 'planned',
      'moss-saloon': 'planned',
      'slate-estate': 'ready',
    });
  });

  test('every log is one the server would take, entry by entry, and none lies ahead', () => {
    for (const { draft, log } of yard.jobs) {
      const logged = loggedEntries(
        draft.document.startAt,
        log.map((entry) => newEntrySchema.parse(entry)),
      );
      for (const [index, { entry }] of logged.entries()) {
        const before = logged.slice(0, index);
        expect(entryFault(foldLog(before), before, entry)).toBeUndefined();
      }
      for (const { at } of log) expect(minutesBetween(at, now)).toBeGreaterThanOrEqual(0);
    }
  });

  test('they begin and end while their bay is open, but for the one that runs now', () => {
    for (const { id, draft } of yard.jobs.filter((job) => job.id !== 'teal-hatchback')) {
      const { document, bayId } = draft;
      const { opensAtHour, closesAtHour } = yard.bays.find((bay) => bay.id === bayId)!.climate;
      const at = (minutes: number) => minuteOfDay(instantAfter(document.startAt, minutes)) / 60;
      const { actions } = layOut(planInput(document));
      const ends = actions.filter(({ coat }) => coat.round === 0).map(({ endMin }) => endMin);
      expect([id, at(0) >= opensAtHour]).toEqual([id, true]);
      const lastH = ends.length > 0 ? at(Math.max(...ends)) : at(0);
      expect([id, lastH <= closesAtHour && Math.max(0, ...ends) < 600]).toEqual([id, true]);
    }
  });

  test('what was seen and agreed stands on panels that there are, and somebody is said to work on most', () => {
    for (const { id, draft } of yard.jobs) {
      const { surfaces, prepare, item } = draft.document;
      const ids = new Set(surfaces.map((surface) => surface.id));
      for (const { surface } of prepare?.scope ?? [])
        expect([id, surface, ids.has(surface)]).toEqual([id, surface, true]);
      expect([id, item?.template !== undefined]).toEqual([id, true]);
    }
    const marks = yard.jobs.flatMap(({ draft }) => draft.document.surfaces.flatMap(({ marks: own = [] }) => own));
    expect(marks.length).toBeGreaterThan(60);
    expect(yard.jobs.filter(({ draft }) => draft.document.crew.people).length).toBeGreaterThanOrEqual(3);
  });

  test('its jobs survive being written and read as files', () => {
    for (const { draft } of yard.jobs) {
      expect(readJob(JSON.parse(JSON.stringify(draft.document)))).toEqual(draft.document);
    }
  });
});
