import { render } from '@testing-library/react';
import type { CoatWindow } from '#core/plan/job';
import { WindowDrawing } from './WindowDrawing';
import { windowTimes } from './window-times';

const WIDTH = 600;
beforeAll(() => {
  globalThis.ResizeObserver = class {
    constructor(private readonly told: ResizeObserverCallback) {}
    observe() {
      this.told([{ contentRect: { width: WIDTH, height: 120 } } as ResizeObserverEntry], this);
    }
    unobserve() {}
    disconnect() {}
  };
});

const window: CoatWindow = {
  rates: {},
  cueMin: 3,
  levelFromMin: 2,
  levelByMin: 6,
  verdict: 'open',
  guarded: { fromMin: 2.5, byMin: 5 },
};
const times = windowTimes(window)!;

/** Corners of the upper jaw, left to right. */
function jaw(container: HTMLElement): number[][] {
  const path = container.querySelector('path[fill="var(--jaw)"]')!.getAttribute('d')!;
  return path
    .slice(1)
    .split('L')
    .map((pair) => pair.split(' ').map(Number));
}

test('what never opens has no gate', () => {
  expect(windowTimes({ ...window, levelFromMin: null, guarded: undefined })).toBeUndefined();
  expect(times).toEqual({ fromMin: 2, byMin: 6, guardedFromMin: 2.5, guardedByMin: 5, cueMin: 3 });
});

test('the jaws meet outside the window and are drawn back between the moments to be trusted', () => {
  const { container } = render(<WindowDrawing times={times} heightPx={120} />);
  const corners = jaw(container);
  const [, from, guardedFrom, guardedBy, by] = corners;
  expect(from![1]).toBe(by![1]);
  expect(guardedFrom![1]).toBe(0);
  expect(guardedBy![1]).toBe(0);
  const perMin = (by![0]! - from![0]!) / (6 - 2);
  expect((guardedFrom![0]! - from![0]!) / perMin).toBeCloseTo(0.5, 1);
  expect((by![0]! - guardedBy![0]!) / perMin).toBeCloseTo(1, 1);
});

test('in a run the gate comes towards now and passes it, and now stands still', () => {
  const at = (nowMin: number) => {
    const { container, unmount } = render(<WindowDrawing times={times} nowMin={nowMin} heightPx={120} />);
    const opening = jaw(container)[1]![0]!;
    const now = Number(
      /^M([\d.]+)/.exec(container.querySelector('path[stroke="var(--over)"]')!.getAttribute('d')!)![1],
    );
    unmount();
    return { opening, now };
  };
  const moments = [0, 1, 2, 4, 6, 9].map(at);
  expect(new Set(moments.map(({ now }) => now.toFixed(3))).size).toBe(1);
  for (const [index, { opening }] of moments.entries()) {
    if (index > 0) expect(opening).toBeLessThan(moments[index - 1]!.opening);
  }
  expect(moments[2]!.opening).toBeCloseTo(moments[2]!.now, 3);
});

test('a window without an end stays open to the edge', () => {
  const endless = windowTimes({ ...window, levelByMin: null, guarded: { fromMin: 2.5, byMin: null } })!;
  const { container } = render(<WindowDrawing times={endless} heightPx={120} />);
  const corners = jaw(container);
  expect(corners[3]![1]).toBe(0);
  expect(corners[3]![0]).toBeGreaterThan(WIDTH);
});
