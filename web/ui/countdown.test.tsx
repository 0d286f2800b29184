/** Clocks at the bay: each second as it comes, over a working day, through sleep and a hidden tab. */
import { act, render, renderHook } from '@testing-library/react';
import { MS_PER_MIN, seeded } from '#core/measures';
import { Countdown } from './Countdown';
import { countdown } from './moments';
import { useLastPassed } from './useLastPassed';

const HOURS_MS = 8 * 60 * MS_PER_MIN;
const WITHIN_MS = 100;
const START_MS = Date.parse('2027-03-02T10:40:00.137+01:00');

function shown(ms: number) {
  const { container, unmount } = render(
    <Countdown startAt={new Date(START_MS).toISOString()} atMin={(ms - START_MS) / MS_PER_MIN} />,
  );
  return { text: () => container.textContent, end: unmount };
}

beforeEach(() => jest.useFakeTimers({ now: START_MS }));
afterEach(() => jest.useRealTimers());

/** What may stand there: as it is now, or as it was a tenth of a second ago. */
const right = (ms: number) => [0, WITHIN_MS].map((late) => countdown((ms - Date.now() + late) / MS_PER_MIN));

test.each([
  ['to a moment eight hours ahead', START_MS + HOURS_MS + 455],
  ['since a moment just past', START_MS - 861],
])('%s, whenever one looks within a working day', (_, ms) => {
  const random = seeded(7);
  const clock = shown(ms);
  for (let passed = 0; passed < HOURS_MS;) {
    const step = Math.ceil(random() * 90_000);
    act(() => jest.advanceTimersByTime(step));
    passed += step;
    expect(right(ms)).toContain(clock.text());
  }
  clock.end();
});

test('after sleep it is right as soon as it is seen', () => {
  const ms = START_MS + HOURS_MS;
  const clock = shown(ms);
  // Asleep: no timer runs, the clock does.
  jest.setSystemTime(START_MS + 3 * 60 * MS_PER_MIN + 333);
  act(() => void document.dispatchEvent(new Event('visibilitychange')));
  expect(clock.text()).toBe('4:59:59');
  act(() => jest.advanceTimersByTime(2000));
  expect(right(ms)).toContain(clock.text());
  clock.end();
});

test('what changes at a moment changes within a tenth of a second of it, once, and after sleep as soon as it is seen', () => {
  const random = seeded(11);
  const moments = Array.from({ length: 40 }, () => START_MS + Math.round(random() * HOURS_MS));
  const passed = (ms: number) => moments.filter((moment) => moment < ms).length;
  let renewals = 0;
  const { result, unmount } = renderHook(() => {
    renewals += 1;
    return useLastPassed(moments);
  });
  for (let step = 0; step < HOURS_MS / 2;) {
    const by = Math.ceil(random() * 600_000);
    act(() => jest.advanceTimersByTime(by));
    step += by;
    expect([passed(Date.now()), passed(Date.now() - WITHIN_MS)]).toContain(passed(result.current));
  }
  expect(renewals).toBeLessThanOrEqual(1 + passed(Date.now()));
  // Asleep: no timer runs, the clock does.
  jest.setSystemTime(START_MS + HOURS_MS + WITHIN_MS);
  act(() => void document.dispatchEvent(new Event('visibilitychange')));
  expect(passed(result.current)).toBe(moments.length);
  unmount();
});
