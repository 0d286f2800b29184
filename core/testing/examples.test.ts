/** The examples in the documentation of functions whose signs, units or order could be mistaken, as they stand there. */
import { conditionLeft } from '#core/layers/life';
import { polygonAreaM2 } from '#core/item/geometry';
import { condensation, minutesToWarm } from '#core/time/air';
import { guardedWindow } from '#core/time/clocks';
import { FLASH_LEARNING, learnFactor } from '#core/measures/learning';
import { seamFactor, wetFilmUm } from '#core/products/quantity';
import { maxSectionM2, sectionTiming } from '#core/plan/sections';

const pace = { layM2PerMin: 0.25, levelM2PerMin: 0.2 };
const even = { layM2PerMin: 0.25, levelM2PerMin: 0.25 };

test.each([
  [
    'polygonAreaM2',
    polygonAreaM2([
      [0, 0],
      [1000, 0],
      [1000, 500],
      [0, 500],
    ]),
    0.5,
  ],
  ['maxSectionM2, solo', maxSectionM2({ fromMin: 2, byMin: 5 }, pace, 'solo'), 1],
  ['maxSectionM2, pair', maxSectionM2({ fromMin: 2, byMin: 5 }, pace, 'pair'), 3],
  ['sectionTiming, wait', sectionTiming(0.5, { fromMin: 4, byMin: 9 }, even, 'solo').waitMin, 2],
  ['seamFactor', seamFactor(3, 1.05, 1.62), 1.0648],
  ['wetFilmUm', wetFilmUm(9, 1.5), 6],
  ['learnFactor', learnFactor([0.7], FLASH_LEARNING).factor, 0.7693],
  ['conditionLeft', conditionLeft(36, 36), 0.5],
  ['minutesToWarm', minutesToWarm(2, 20, 70, 15), 89.67],
  ['condensation, margin', condensation(24, 65, 17).marginK, -0.02],
  ['guardedWindow, from', guardedWindow({ fromMin: 2, byMin: 5 }, 0.2, 1.2816).fromMin, 2.584],
  ['guardedWindow, by', guardedWindow({ fromMin: 2, byMin: 5 }, 0.2, 1.2816).byMin, 3.869],
])('%s is what its documentation says', (_, value, said) => {
  expect(value).toBeCloseTo(said, 2);
});
