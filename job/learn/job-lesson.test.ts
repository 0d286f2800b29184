import { seeded } from '#core/measures';
import { FLASH_LEARNING, learnFactor, onALaterDay, predictiveSigma, untaught } from '#core/measures/learning';
import { flashBeliefs, paceOf } from '#core/lay/run';
import { DEFAULT_PACE } from '#core/plan/sections';
import type { LogEntry } from '#formats/log';
import { type Job, readJob } from '#formats/job';
import { instantAfter } from '#formats/values';
import { planInput, planOf } from '#job/plan';
import tourer from '../../demo/jobs/satin-tourer.json';
import { flashOf, jobLesson, paceOfHands, paceOfPeople } from '.';

const job: Job = readJob({
  ...tourer,
  surfaces: tourer.surfaces.slice(0, 1).map((surface) => ({ ...surface, substrate: 'clear-gloss', onePiece: false })),
  products: tourer.products.map((product) => ({
    ...product,
    substrates: { ...product.substrates, 'clear-gloss': { use: 'yes' } },
    milestones: [
      { name: 'cue', clock: 'flash', min: 3 },
      ...product.milestones.filter(({ name }) => !['cue', 'levelFrom', 'levelBy'].includes(name)),
      { name: 'levelFrom', clock: 'flash', min: 2 },
      { name: 'levelBy', clock: 'flash', min: 9 },
    ],
  })),
});
const [surface] = job.surfaces;
const { product } = surface!.layers[0]!;
const cueMin = planOf(job).surfaces[0]!.coats[0]!.laid!.window.cueMin!;

const laidWith = (share: number): LogEntry[] => {
  const patch = { surface: surface!.id, layer: 0, coat: 1, copy: 1, section: 1 };
  const start = { product, sections: 1, areaM2: 0.5, amount: 3 };
  return (
    [
      [0, { type: 'lay-start', patch, start }],
      [1, { type: 'lay-end', patch }],
      [share * cueMin, { type: 'cue-seen', patch }],
    ] as const
  ).map(([min, entry], seq) => {
    const at = instantAfter(job.startAt, min);
    return { id: String(seq), at, recordedAt: at, seq, entry };
  });
};

test('a cue teaches how it came beside the sheet, whatever factor the job was planned with', () => {
  const [cue] = jobLesson(job, laidWith(0.7)).cues;
  expect(cue).toMatchObject({ product, ratio: expect.closeTo(0.7, 1) });
  const planned = { ...job, products: job.products.map((each) => ({ ...each, flashFactor: 0.8 })) };
  const [same] = jobLesson(planned, laidWith(0.7)).cues;
  expect(same!.ratio).toBeCloseTo(cue!.ratio, 9);
  expect(jobLesson(job, laidWith(0.7).slice(0, 2)).cues).toEqual([]);
  // Seen beside expected, in minutes, by the sheet itself.
  expect(cue!.seen).toMatchObject({ entry: '2', seenMin: expect.closeTo(0.7 * cueMin, 1) });
  expect(cue!.seen!.expectedMin).toBeCloseTo(cueMin, 6);
  expect(same!.seen!.expectedMin).toBeCloseTo(cueMin, 6);
});

test('a cue set aside teaches nothing, and stays on record', () => {
  const log = laidWith(0.7);
  const aside = { ...log[2]!, id: '3', seq: 3, entry: { type: 'set-aside', entry: '2', reason: 'no cue' } as const };
  expect(jobLesson(job, [...log, aside]).cues).toEqual([]);
});

test('by the third job the error of the cue is at most half of what it was at the first', () => {
  const random = seeded(7);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const errors = [0, 0, 0];
  for (let shop = 0; shop < 400; shop++) {
    // A product that really flashes otherwise than its sheet says, and cues seen as well as they are.
    const truth = Math.exp(FLASH_LEARNING.priorSigma * 1.5 * normal());
    const jobs = [0, 1, 2].map(() => [0, 1, 2].map(() => truth * Math.exp(0.08 * normal())));
    flashBeliefs(jobs)
      .slice(0, 3)
      .forEach(({ flashFactor }, nth) => (errors[nth]! += Math.log(flashFactor / truth) ** 2));
  }
  const [first, , third] = errors.map((sum) => Math.sqrt(sum / 400));
  expect(third!).toBeLessThan(first! / 2);
});

test('jobs teach one after the other, less certain with each day between', () => {
  const cues = (...ratios: number[]) => ({ cues: ratios.map((ratio) => ({ product: 'base', ratio })) });
  const learned = flashOf([cues(0.7, 0.75), cues(), cues(0.72)]).get('base')!;
  const first = onALaterDay(learnFactor([0.7, 0.75], FLASH_LEARNING, untaught(FLASH_LEARNING)));
  const second = onALaterDay(learnFactor([0.72], FLASH_LEARNING, first));
  expect(learned.flashFactor).toBeCloseTo(second.factor, 12);
  expect(learned.flashSigma).toBeCloseTo(predictiveSigma(second, FLASH_LEARNING), 12);
  expect(learned.flashFactor).toBeLessThan(0.8);
  expect(flashOf([cues()]).size).toBe(0);
});

/** Sections laid and levelled, each at so many times the minutes its paces foretell, with a pause in the first. */
const workedAt = (document: Job, times: number, pausedMin: number): LogEntry[] => {
  const planned = planInput(document);
  const [lay, level] = (['layM2PerMin', 'levelM2PerMin'] as const).map((key) => {
    const patch = { surface: surface!.id, layer: 0, coat: 1, copy: 1, section: 1 };
    return 2 / paceOf(planned, patch, product)[key];
  });
  let min = 0;
  const entries: (readonly [number, LogEntry['entry']])[] = [1, 2].flatMap((section) => {
    const patch = { surface: surface!.id, layer: 0, coat: 1, copy: 1, section };
    const start = { product, sections: 2, areaM2: 2, amount: 3 };
    const paused = section === 1 ? pausedMin : 0;
    const from = min;
    const laid = from + times * lay! + paused;
    min = laid + times * level!;
    return [
      [from, { type: 'lay-start', patch, start }],
      ...(paused > 0
        ? ([
            [from + 0.1, { type: 'run-pause', reason: 'phone' }],
            [from + 0.1 + paused, { type: 'run-resume' }],
          ] as const)
        : []),
      [laid, { type: 'lay-end', patch }],
      [laid, { type: 'level-start', patch }],
      [min, { type: 'level-end', patch }],
    ];
  });
  return entries.map(([at, entry], seq) => {
    const instant = instantAfter(document.startAt, at);
    return { id: String(seq), at: instant, recordedAt: instant, seq, entry };
  });
};

test('hands teach their pace with a product, pauses out of it, whatever factor the job was planned with', () => {
  const [slow] = jobLesson(job, workedAt(job, 1.5, 20)).paces;
  expect(slow).toMatchObject({ product, lay: expect.closeTo(1 / 1.5, 2), level: expect.closeTo(1 / 1.5, 2) });
  // Planned as it was learned, and worked just so: that is the same lesson again.
  const taught = { layFactor: 1 / 1.5, levelFactor: 1 / 1.5 };
  const planned = { ...job, products: job.products.map((each) => ({ ...each, ...taught })) };
  const [same] = jobLesson(planned, workedAt(planned, 1, 0)).paces;
  expect(same!.lay).toBeCloseTo(slow!.lay!, 2);
  expect(same!.level).toBeCloseTo(slow!.level!, 2);
  // A minute or two says nothing.
  expect(jobLesson(job, laidWith(0.7)).paces).toEqual([]);
});

test('each teaches their own pace by what they laid and levelled; without an account nobody’s', () => {
  const asBy = (laid: string, levelled: string) =>
    workedAt(job, 1.5, 20).map((entry) => ({
      ...entry,
      by: entry.entry.type.startsWith('lay-') ? laid : levelled,
    }));
  const { layM2PerMin, levelM2PerMin } = job.crew;
  expect(jobLesson(job, asBy('ash', 'rowan')).people).toEqual([
    { person: 'ash', layM2PerMin: expect.closeTo(layM2PerMin / 1.5, 2) },
    { person: 'rowan', levelM2PerMin: expect.closeTo(levelM2PerMin / 1.5, 2) },
  ]);
  expect(jobLesson(job, workedAt(job, 1.5, 20)).people).toEqual([]);
  // The usual pace, and theirs the more the oftener it was seen.
  const lesson = (m2: number) => ({ people: [{ person: 'ash', layM2PerMin: m2 }] });
  const after = (...jobs: number[]) => paceOfPeople(jobs.map(lesson))[0]!;
  const [usual, slow] = [DEFAULT_PACE.layM2PerMin, DEFAULT_PACE.layM2PerMin / 2];
  expect(after(slow).layM2PerMin).toBeLessThan(usual);
  expect(after(slow).layM2PerMin).toBeGreaterThan(after(slow, slow, slow).layM2PerMin!);
  expect(after(slow, slow, slow).layM2PerMin).toBeGreaterThan(slow);
  expect(after(slow, usual)).toMatchObject({ person: 'ash', jobs: 2 });
  expect(paceOfPeople([{ people: [] }])).toEqual([]);
});

test('the pace of hands is believed more with each job, and the next plan is laid at it', () => {
  const paces = (lay: number) => ({ paces: [{ product, method: 'small-block' as const, lay }] });
  const after = (...jobs: number[]) => paceOfHands(jobs.map(paces)).get(product)!.layFactor!;
  expect(after(0.6)).toBeGreaterThan(0.6);
  expect(after(0.6)).toBeLessThan(1);
  expect(after(0.6, 0.6, 0.6)).toBeLessThan(after(0.6));
  expect(paceOfHands([paces(0.6)]).get(product)).not.toHaveProperty('levelFactor');
  expect(paceOfHands([{ paces: [] }]).size).toBe(0);
  const laidAt = (layFactor: number) => {
    const slower = { ...job, products: job.products.map((each) => ({ ...each, layFactor })) };
    return paceOf(planInput(slower), { surface: surface!.id, layer: 0, coat: 1, copy: 1, section: 1 }, product);
  };
  expect(laidAt(0.5).layM2PerMin).toBeCloseTo(laidAt(1).layM2PerMin / 2, 9);
  expect(laidAt(0.5).levelM2PerMin).toBeCloseTo(laidAt(1).levelM2PerMin, 9);
});

test('a product laid in several ways teaches each way’s pace beside its own; in one way only, none', () => {
  const laid = (method: 'small-block' | 'big-mitt', lay: number) => ({ paces: [{ product, method, lay }] });
  const learned = (...lessons: ReturnType<typeof laid>[]) => paceOfHands(lessons).get(product)!;
  expect(learned(laid('small-block', 0.6), laid('small-block', 0.6))).not.toHaveProperty('layByMethod');
  const { layFactor, layByMethod } = learned(laid('small-block', 1.2), laid('big-mitt', 0.7), laid('big-mitt', 0.7));
  expect(layByMethod!['small-block']).toBeGreaterThan(1);
  expect(layByMethod!['big-mitt']).toBeLessThan(1);
  // Each is believed to lie between what all said together and what was seen of it.
  expect(layFactor! * layByMethod!['big-mitt']!).toBeGreaterThan(0.7);
  expect(layFactor! * layByMethod!['big-mitt']!).toBeLessThan(layFactor!);
  expect(paceOfHands([laid('small-block', 1), laid('big-mitt', 1)]).get(product)!.layByMethod).toEqual({
    'small-block': 1,
    'big-mitt': 1,
  });
  // The next plan is laid at it, and worked just so it teaches the same again.
  const own = job.surfaces.find(({ id }) => id === surface!.id)!.layers[0]!.method;
  const taught = { layFactor: 0.8, layByMethod: { [own]: 0.5 } };
  const planned = { ...job, products: job.products.map((each) => ({ ...each, ...taught })) };
  const patch = { surface: surface!.id, layer: 0, coat: 1, copy: 1, section: 1 };
  const at = (document: Job) => paceOf(planInput(document), patch, product).layM2PerMin;
  expect(at(planned)).toBeCloseTo(0.4 * at(job), 9);
  const [same] = jobLesson(planned, workedAt(planned, 1, 0)).paces;
  expect(same).toMatchObject({ product, method: own, lay: expect.closeTo(0.4, 2) });
});
