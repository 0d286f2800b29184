import type { CheckLight, Remedy } from '#core/lay/run';

export const LIGHT_WORDS: Readonly<Record<CheckLight, { readonly name: string; readonly how: string }>> = {
  'hand-light': {
    name: 'Hand light',
    how: 'Overhead lights off. The lamp low along the panel, from both sides; the eye low as well.',
  },
  overhead: { name: 'Overhead', how: 'Lights on, one step back, the head moved: what the lamp was too near to show.' },
  daylight: {
    name: 'Daylight',
    how: 'At the door or outside, in the shade and then in the sun: as the owner will see it.',
  },
};

export const REMEDY_WORDS: Readonly<Record<Remedy, string>> = {
  're-wet': 'Re-wetted',
  wiped: 'Wiped off',
  polished: 'Polished, laid again',
  'laid-again': 'Laid again',
  pressed: 'Pressed down',
  accepted: 'It stays, the owner knows',
};
