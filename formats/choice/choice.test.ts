/** Offers and the files of the choice: what is asked and what is answered, with every fault at its place. */
import { faultsOf } from '../testing/faults';
import { DEMO_OFFERS } from '../../demo/offers';
import { jobSenseFaults } from '#formats/job';
import { read } from '#formats/values';
import { CHOOSE_FORMAT, offerSchema, readChooseFile } from '.';

const PLAIN = {
  format: 'glaphyra.job/1',
  title: 'Plain',
  startAt: '2027-03-02T08:30:00+01:00',
  surfaces: [],
  products: [],
  ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
};
const file = (parts: object = {}) => ({ format: CHOOSE_FORMAT, job: PLAIN, ...parts });

describe('an offer', () => {
  test.each(DEMO_OFFERS.map((offer) => [offer.name, offer] as const))('%s is kept as it was written', (_, offer) => {
    expect(offerSchema.parse(JSON.parse(JSON.stringify(offer)))).toEqual(offer);
  });

  test('needs a stack for some kind of surface; what else is not said is usual', () => {
    const least = { id: 'o', name: 'Least', lines: [{ on: ['clear-gloss'], layers: [{ product: 'base' }] }] };
    expect(offerSchema.parse(least)).toEqual({
      ...least,
      lines: [{ on: ['clear-gloss'], layers: [{ product: 'base', coats: 1 }] }],
      says: '',
      level: 'one-step',
      promised: [],
      notPromised: [],
      wastePct: 5,
      marginPct: 0,
      taxPct: 0,
    });
    expect(faultsOf(() => read({ ...least, lines: [] }, offerSchema))).toEqual([
      { path: 'lines', message: 'expected at least one stack' },
    ]);
    expect(faultsOf(() => read({ ...least, lines: [{ on: [], layers: [] }] }, offerSchema))).toEqual([
      { path: 'lines[0].on', message: 'expected at least one kind of surface' },
    ]);
  });

  test('is refused with all its faults at once', () => {
    const bad = {
      id: 'o',
      name: ' ',
      level: 'perfect',
      lines: [{ on: ['clear-gloss', 'marble'], layers: [{ product: '', coats: 0 }] }],
      marginPct: 140,
      colour: 'red',
    };
    expect(
      faultsOf(() => read(bad, offerSchema))
        .map(({ path }) => path)
        .toSorted(),
    ).toEqual([
      'colour',
      'level',
      'lines[0].layers[0].coats',
      'lines[0].layers[0].product',
      'lines[0].on[1]',
      'marginPct',
      'name',
    ]);
  });
});

describe('a file of the choice', () => {
  test('is read with wishes that are usual where none are said', () => {
    const { job, wishes } = readChooseFile(file());
    expect(job.title).toBe('Plain');
    expect(readChooseFile(file({ wishes: {} })).wishes).toEqual(wishes);
  });

  test('tells faults of its job under the job, those of sense among them', () => {
    const broken = {
      ...PLAIN,
      surfaces: [{ id: 'a', shape: { kind: 'area', areaM2: 1 }, layers: [{ product: 'nothing', coats: 1 }] }],
    };
    const sense = jobSenseFaults(broken);
    expect(sense.length).toBeGreaterThan(0);
    const paths = faultsOf(() => readChooseFile(file({ job: broken }))).map(({ path }) => path);
    expect(paths).toEqual(expect.arrayContaining(sense.map(({ path }) => `job.${path}`)));
  });

  test.each([undefined, null, 7, 'job', [], {}])('%j is none, and says what was expected', (value) => {
    const faults = faultsOf(() => readChooseFile(value));
    expect(faults.length).toBeGreaterThan(0);
    for (const { message } of faults) expect(message).toMatch(/expected|missing/);
  });

  test('of another format is refused by its name', () => {
    expect(faultsOf(() => readChooseFile(file({ format: 'glaphyra.job/1' })))).toEqual([
      { path: 'format', message: `expected "${CHOOSE_FORMAT}"` },
    ]);
  });
});
