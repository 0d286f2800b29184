import type { ChoicePoint } from '#formats/choice';

/** How the points of a frontier are called. */
export const POINT_NAMES: Readonly<Record<ChoicePoint['name'], string>> = {
  wishes: 'Best for the wishes',
  cheapest: 'Cheapest now',
  longest: 'Longest-lived',
  quickest: 'Quickest to lay',
  between: 'In between',
};
