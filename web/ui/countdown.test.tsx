/** Clocks at the bay: each second as it comes, over a working day, through sleep and a hidden tab. */
import { act, render } from '@testing-library/react';
import { MS_PER_MIN, seeded } from '#core/measures';
import { Countdown } from './Countdown';
import { countdown } from './moments';

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
