import type { PhotoRole } from '#formats/job';

export const ROLE_NAMES: Readonly<Record<PhotoRole, string>> = {
  seen: 'As seen',
  before: 'Before',
  after: 'After',
  'half-and-half': 'Half and half',
  wet: 'Wet',
  drop: 'Drop from its side',
  plan: 'Plan',
};
