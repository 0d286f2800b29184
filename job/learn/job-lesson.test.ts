import { FLASH_LEARNING, learnFactor, onALaterDay, predictiveSigma, untaught } from '#core/work/learning';
import type { LogEntry } from '#formats/log';
import { type Job, readJob } from '#formats/job';
import { instantAfter } from '#formats/values';
import { planOf } from '#job/plan';
import tourer from '../../demo/jobs/satin-tourer.json';
import { flashOf, jobLesson } from '.';

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
