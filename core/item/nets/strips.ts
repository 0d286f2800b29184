import svgpath from 'svgpath';
import type { StripPanel } from './vehicle';

/**
 * Centre strip of a car with a tailgate, drawn 1760 mm wide over a profile whose points are: nose 0 to 3,
 * bonnet to 5, screen 6 to 7, roof to 10, rear screen to 11, tailgate to 13, tail to 16.
 */
export const FIVE_DOOR_STRIP: readonly StripPanel[] = [
  {
    id: 'front-bumper',
    name: 'Front bumper',
    substrate: 'clear-gloss',
    body: 'plastic',
    curvature: 1.12,
    zone: 'front',
    half: 'M0.66 0 L0.62 655 C0.75 678 0.9 682 1 685 C1.6 699 2.2 685 2.5 635 L2.62 386 C2.7 350 2.86 331 2.95 313 L2.95 0 Z',
  },
  {
    id: 'front-valance',
    name: 'Front valance',
    substrate: 'textured-plastic',
    curvature: 1.15,
    zone: 'front',
    half: 'M0 0 L0 515 C0.2 600 0.4 636 0.56 648 L0.6 0 Z',
  },
  {
    id: 'grille',
    name: 'Grille',
    substrate: 'textured-plastic',
    curvature: 1.3,
    zone: 'front',
    half: 'M3.0 0 L3.0 304 C2.96 317 2.9 331 2.98 386 L3.12 442 L3.12 0 Z',
  },
  {
    id: 'bonnet',
    name: 'Bonnet',
    substrate: 'clear-gloss',
    curvature: 1.02,
    zone: 'top',
    half: 'M3.16 0 L3.16 442 C3.3 515 3.5 570 3.8 598 C4.2 635 4.6 655 4.96 668 C4.99 598 5 276 5 0 Z',
  },
  {
    id: 'cowl',
    name: 'Cowl',
    substrate: 'textured-plastic',
    curvature: 1.1,
    zone: 'top',
    half: 'M5.12 0 C5.12 276 5.1 589 5.06 664 L5.6 672 C5.82 589 5.92 276 5.92 0 Z',
  },
  {
    id: 'windscreen',
    name: 'Windscreen',
    substrate: 'windscreen',
    curvature: 1.03,
    zone: 'top',
    half: 'M6.02 0 C6.02 276 5.95 552 5.86 635 C5.9 655 6.0 650 6.05 644 L6.96 528 C7 515 7.01 276 7.01 0 Z',
  },
  {
    id: 'roof',
    name: 'Roof',
    substrate: 'clear-gloss',
    curvature: 1.02,
    zone: 'top',
    half: 'M7.05 0 C7.05 276 7.04 460 7.0 534 C7.5 548 8.4 552 9 548 C9.4 543 9.7 532 9.86 515 L9.86 0 Z',
  },
  {
    id: 'spoiler',
    name: 'Roof spoiler',
    substrate: 'clear-gloss',
    body: 'plastic',
    curvature: 1.25,
    zone: 'rear',
    half: 'M9.9 0 L9.9 512 C10 521 10.12 515 10.18 497 C10.3 478 10.32 276 10.32 0 Z',
  },
  {
    id: 'rear-glass',
    name: 'Rear screen',
    substrate: 'glass',
    curvature: 1.03,
    zone: 'rear',
    half: 'M10.36 0 C10.36 276 10.34 442 10.3 478 L10.9 545 C10.98 552 11.03 524 11.04 497 C11.06 276 11.06 0 11.06 0 Z',
  },
  {
    id: 'tailgate',
    name: 'Tailgate',
    substrate: 'clear-gloss',
    curvature: 1.05,
    zone: 'rear',
    half: 'M11.14 0 C11.14 276 11.12 515 11.1 570 C11.5 589 11.8 552 12 515 L12.5 497 L12.94 515 C12.97 368 12.98 184 12.98 0 Z',
  },
  {
    id: 'rear-bumper',
    name: 'Rear bumper',
    substrate: 'clear-gloss',
    body: 'plastic',
    curvature: 1.12,
    zone: 'rear',
    half: 'M13.06 0 L13.04 515 C13.0 589 13.1 672 13.4 690 C14.2 708 15 699 15.3 676 L15.36 0 Z',
  },
  {
    id: 'rear-valance',
    name: 'Rear valance',
    substrate: 'textured-plastic',
    curvature: 1.15,
    zone: 'rear',
    half: 'M15.42 0 L15.38 662 C15.7 635 15.9 589 16 515 L16 0 Z',
  },
];

/** Bonnet creases, badge, wipers, lower grille, plate recess, tailgate handle, roof aerial. */
export const FIVE_DOOR_STRIP_LINES: readonly string[] = [
  'M3.3 193 C3.8 221 4.5 276 4.95 331',
  'M3.04 0 L3.04 276',
  'M5.3 55 L6.0 589',
  'M0.8 0 L0.8 400 C0.95 440 1.1 440 1.3 424 L1.42 0',
  'M1.7 0 L1.7 239 L2.2 239 L2.2 0',
  'M12.3 0 L12.3 239 L12.75 239 L12.75 0',
  'M11.5 0 L11.5 55 L11.75 55 L11.75 0',
  'M9.6 0 L9.82 0',
  'M14.4 589 L14.4 442 L14.65 442 L14.65 589 Z',
];

/** The panels ahead of the roof: alike on every car with a bonnet whose profile begins that way. */
const AHEAD_OF_ROOF = ['front-bumper', 'front-valance', 'grille', 'bonnet', 'cowl', 'windscreen'];
export const FRONT_STRIP = FIVE_DOOR_STRIP.filter(({ id }) => AHEAD_OF_ROOF.includes(id));

/** A strip drawn for one width, made for another. */
export function widened(strip: readonly StripPanel[], factor: number): StripPanel[] {
  return strip.map((panel) => ({ ...panel, half: widenedLine(panel.half, factor) }));
}

export function widenedLine(half: string, factor: number): string {
  return svgpath(half).scale(1, factor).toString();
}
