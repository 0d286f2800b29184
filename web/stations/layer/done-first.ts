import type { TooLate } from '#core/layers/rules';

export const DONE_FIRST: Readonly<Record<TooLate, string>> = {
  abrade: 'abraded',
  strip: 'stripped and laid anew',
  'start-again': 'polished on again',
};
