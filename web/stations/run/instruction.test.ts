import fc from 'fast-check';
import type { CoatWindow } from '#core/plan/job';
import { windowState } from '#core/lay/run';
import { entryFor, instructionFor, signalsDue } from './instruction';

const window: CoatWindow = {
  rates: {},
  cueMin: 3,
  levelFromMin: 2,
  levelByMin: 6,
  verdict: 'open',
  guarded: { fromMin: 2.5, byMin: 5 },
};

test('a window is walked through once, in its order, and each moment is called out', () => {
  const order = ['before', 'opening', 'open', 'closing', 'closed'];
  const age = fc.double({ min: 0, max: 12, noNaN: true });
  fc.assert(
    fc.property(age, age, (a, b) => {
      const [early, late] = [Math.min(a, b), Math.max(a, b)].map((min) => windowState(window, min));
      expect(order.indexOf(early!)).toBeLessThanOrEqual(order.indexOf(late!));
      expect(signalsDue(late!)).toEqual(expect.arrayContaining(signalsDue(early!)));
    }),
  );
  expect([1, 2.2, 3, 4.6, 6.1].map((min) => windowState(window, min))).toEqual(order);
});

test('a window without an end never closes, and one that never opens is none', () => {
  const endless = { ...window, levelByMin: null, guarded: { fromMin: 2.5, byMin: null } };
  expect(windowState(endless, 1e6)).toBe('open');
  expect(windowState({ ...window, levelFromMin: null, guarded: undefined }, 3)).toBe('none');
});

test('each state asks for one thing, and waiting is not levelling', () => {
  expect(instructionFor('todo', 'before')).toMatchObject({ logs: 'lay-start', due: true });
  expect(instructionFor('laying', 'open')).toMatchObject({ logs: 'lay-end' });
  expect(instructionFor('waiting', 'opening')).toMatchObject({ verb: 'Wait', logs: 'level-start', due: false });
  expect(instructionFor('waiting', 'open')).toMatchObject({ verb: 'Level now', due: true });
  expect(instructionFor('waiting', 'closed')).toMatchObject({ verb: 'Level at once', due: true });
  expect(instructionFor('levelling', 'closed')).toMatchObject({ logs: 'level-end' });
  expect(instructionFor('done', 'closed')).toBeUndefined();
});

test('the first entry of a patch carries what is known of it', () => {
  const patch = { surface: 'roof', layer: 0, coat: 1, copy: 1, section: 2 };
  const sheetPatch = { patch, areaM2: 0.8, amount: 5, sections: 2, coat: { product: 'base' } };
  const of = (logs: 'lay-start' | 'lay-end') =>
    entryFor(logs, sheetPatch as unknown as Parameters<typeof entryFor>[1], 19, 'B-7');
  expect(of('lay-start')).toEqual({
    type: 'lay-start',
    patch,
    start: { product: 'base', sections: 2, areaM2: 0.8, amount: 5, surfaceC: 19, batch: 'B-7' },
  });
  expect(of('lay-end')).toEqual({ type: 'lay-end', patch });
});
