import type { PauseReason } from '#core/prepare/stages';

export const PAUSE_NAMES: Readonly<Record<PauseReason, string>> = {
  break: 'Break',
  'no-power': 'No power',
  weather: 'Weather',
  waiting: 'Waiting for another',
  phone: 'Phone, or somebody at the door',
  other: 'Something else',
};
