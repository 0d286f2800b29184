/** What the workshop keeps around a job: bays, drafts, pictures, patterns of items. */
import { faultsOf } from '../testing/faults';
import fc from 'fast-check';
import { shapeAreaM2 } from '#core/item/geometry';
import { type ItemTemplate, TEMPLATES } from '#core/item/nets';
import { read } from '#formats/values';
import {
  bayDraftSchema,
  jobDraftSchema,
  jobSchema,
  keptTemplate,
  keptTemplateDraftSchema,
  photoChangesSchema,
  readJob,
} from '.';

const PLAIN = {
  format: 'glaphyra.job/1',
  title: 'Plain',
  startAt: '2027-03-02T08:30:00+01:00',
  products: [],
  ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
};
const surfacesOf = (template: ItemTemplate) =>
  template.unfold(template.usual).panels.map(({ id, name, outlineMm, substrate }) => ({
    id,
    name,
    substrate,
    shape: { kind: 'polygon', pointsMm: outlineMm },
    measuredBy: 'template',
    layers: [],
  }));
const itemOf = (template: ItemTemplate) => ({
  name: template.name,
  ownerName: 'Imke Varga',
  template: { id: template.id, ...template.usual },
});

describe.each(TEMPLATES.map((template) => [template.id, template] as const))('%s', (_, template) => {
  const job = readJob({ ...PLAIN, item: itemOf(template), surfaces: surfacesOf(template) });

  test('is the same job after it was written and read again, as often as one likes', () => {
    const again = readJob(JSON.parse(JSON.stringify(job)));
    expect(again).toEqual(job);
    expect(readJob(JSON.parse(JSON.stringify(again)))).toEqual(job);
  });

  test('kept as a pattern it is as large, stretches on, and knows nothing of its owner', () => {
    const seen = {
      ...job,
      surfaces: job.surfaces.map((surface) => ({
        ...surface,
        readingsUm: [120],
        paint: 'refinished' as const,
        existing: ['paste-wax' as const],
        marks: [{ id: 'm', kind: 'swirls' as const, severity: 'light' as const, at: [0.5, 0.5] as [number, number] }],
        note: 'dent',
      })),
    };
    const kept = keptTemplate('Another of these', seen);
    expect(keptTemplateDraftSchema.parse(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
    const area = (surfaces: typeof job.surfaces) => surfaces.reduce((sum, { shape }) => sum + shapeAreaM2(shape), 0);
    expect(area(kept.surfaces)).toBeCloseTo(area(job.surfaces), 9);
    expect(kept.template).toEqual(job.item!.template);
    const said = /Imke|dent|swirls|paste-wax|refinished/.exec(JSON.stringify(kept))?.[0];
    expect([said, kept.surfaces.flatMap(({ readingsUm }) => readingsUm)]).toEqual([undefined, []]);
  });
});

test('a draft stands nowhere and has its air typed in, until it is said otherwise', () => {
  expect(jobDraftSchema.parse({ document: { ...PLAIN, surfaces: [] } })).toEqual({
    document: jobSchema.parse({ ...PLAIN, surfaces: [] }),
    bayId: null,
    airSource: 'typed',
  });
});

describe('a bay', () => {
  const bay = {
    name: 'Bay',
    climate: { openC: 20, openRhPct: 50, nightC: 8, opensAtHour: 8, closesAtHour: 18, tauMin: 90 },
  };
  const broken = (climate: object) =>
    faultsOf(() => read({ ...bay, climate: { ...bay.climate, ...climate } }, bayDraftSchema));

  test('closes after it opens, within one day', () => {
    const hour = fc.double({ min: -5, max: 30, noNaN: true });
    fc.assert(
      fc.property(hour, hour, (opensAtHour, closesAtHour) => {
        const isADay = opensAtHour >= 0 && closesAtHour <= 24 && opensAtHour < closesAtHour;
        expect(broken({ opensAtHour, closesAtHour }).length === 0).toBe(isADay);
      }),
    );
  });

  test.each([
    [{ openRhPct: 120 }, 'climate.openRhPct'],
    [{ nightC: -300 }, 'climate.nightC'],
    [{ tauMin: 0 }, 'climate.tauMin'],
    [{ opensAtHour: 18, closesAtHour: 8 }, 'climate.closesAtHour'],
    [{ heating: true }, 'climate.heating'],
  ])('%j is refused at %s', (climate, place) => {
    expect(broken(climate).map(({ path }) => path)).toEqual([place]);
  });
});

test('of a picture only what is named is said otherwise, and its tape lies on it', () => {
  expect(photoChangesSchema.parse({})).toEqual({});
  expect(photoChangesSchema.parse({ surface: null, note: 'left' })).toEqual({ surface: null, note: 'left' });
  const share = fc.double({ min: -1, max: 2, noNaN: true });
  fc.assert(
    fc.property(fc.tuple(share, share, share, share), (tape) => {
      const lies = tape.every((each) => each >= 0 && each <= 1);
      expect(photoChangesSchema.safeParse({ tape }).success).toBe(lies);
    }),
  );
  for (const bad of [{ role: 'selfie' }, { tape: [0, 0, 1] }, { widthPx: 3 }]) {
    expect(photoChangesSchema.safeParse(bad).success).toBe(false);
  }
});
