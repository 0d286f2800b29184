import type { LogEntry } from '#formats/log';
import { handsOf } from './hands';

const laid = (id: string, by: string | undefined, surface = 'roof', product = 'wax') => ({
  id,
  ...(by !== undefined && { by }),
  entry: {
    type: 'lay-start',
    patch: { surface, layer: 0, coat: 1, copy: 1, section: 1 },
    start: { product, sections: 1, areaM2: 1, amount: 1 },
  } as LogEntry['entry'],
});
const undo = (entry: string) => ({
  id: `undo-${entry}`,
  by: 'wren',
  entry: { type: 'undo', entry } as LogEntry['entry'],
});

test('whoever laid it is told once, in the order they began; what was undone, or has no name, is nobody’s', () => {
  const hands = handsOf([
    laid('a', 'rowan'),
    laid('b', 'ash'),
    laid('c', 'rowan'),
    laid('d', 'finch'),
    undo('d'),
    laid('e', undefined),
    laid('f', 'wren', 'bonnet'),
    laid('g', 'wren', 'roof', 'film'),
  ]);
  expect(hands('roof', 'wax')).toEqual(['rowan', 'ash']);
  expect(hands('bonnet', 'wax')).toEqual(['wren']);
  expect(hands('door', 'wax')).toEqual([]);
});
