import { FLASH_LEARNING, isSurprising, learnFactor, onALaterDay, predictiveSigma, untaught } from './log-normal';

describe('learning a factor from observed ratios', () => {
  test.each([
    [[0.7], 0.7693, 0.1029],
    [[0.7, 0.75, 0.72], 0.7486, 0.0655],
  ])('ratios %j', (ratios, factor, sigma) => {
    const learned = learnFactor(ratios, FLASH_LEARNING);
    expect(learned.factor).toBeCloseTo(factor, 4);
    expect(learned.sigma).toBeCloseTo(sigma, 4);
  });

  test('one by one or all at once is the same', () => {
    const stepwise = [0.7, 0.75, 0.72].reduce(
      (prior, ratio) => learnFactor([ratio], FLASH_LEARNING, prior),
      untaught(FLASH_LEARNING),
    );
    const atOnce = learnFactor([0.7, 0.75, 0.72], FLASH_LEARNING);
    expect(stepwise.factor).toBeCloseTo(atOnce.factor, 12);
    expect(stepwise.sigma).toBeCloseTo(atOnce.sigma, 12);
    expect(stepwise.observations).toBe(3);
  });

  test('the next patch is less certain than the mean, and the next day less than today', () => {
    const learned = learnFactor([0.7], FLASH_LEARNING);
    expect(predictiveSigma(untaught(FLASH_LEARNING), FLASH_LEARNING)).toBe(0.2);
    expect(predictiveSigma(learned, FLASH_LEARNING)).toBeCloseTo(Math.hypot(0.1029, 0.12), 4);
    expect(onALaterDay(learned)).toMatchObject({ factor: learned.factor, sigma: Math.hypot(learned.sigma, 0.1) });
  });

  test('a slip of the finger is surprising, and nonsense is refused', () => {
    expect(isSurprising(0.1, untaught(FLASH_LEARNING), FLASH_LEARNING)).toBe(true);
    expect(isSurprising(0.8, untaught(FLASH_LEARNING), FLASH_LEARNING)).toBe(false);
    expect(() => learnFactor([0], FLASH_LEARNING)).toThrow(RangeError);
  });
});
