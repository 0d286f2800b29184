import { HIGH_VAN } from './high-van';
import type { SidePanel, StripPanel, VehicleDrawing } from './vehicle';

/** What the minibus changes on the van: the upper sides and the rear doors are glazed. */
const REPLACED_SIDE = ['side-fore-upper', 'side-rear-upper'];
const GLAZED_SIDE: readonly SidePanel[] = [
  {
    id: 'cant-rail-fore',
    name: 'Cant rail, fore',
    substrate: 'clear-gloss',
    curvature: 1.05,
    path: 'M2304 2076 L2304 2484 C2600 2520 3000 2538 3500 2548 L3500 2076 Z',
  },
  {
    id: 'cant-rail-rear',
    name: 'Cant rail, rear',
    substrate: 'clear-gloss',
    curvature: 1.05,
    path: 'M3514 2076 L3514 2548 C3900 2560 4400 2566 4800 2560 C5200 2554 5500 2544 5700 2532 C5790 2522 5830 2488 5844 2440 L5867 2076 Z',
  },
  {
    id: 'sliding-door-glass',
    name: 'Sliding door glass',
    substrate: 'glass',
    curvature: 1.02,
    path: 'M2316 1292 L2316 2062 L3480 2062 L3480 1292 Z',
  },
  {
    id: 'window-pillar-fore',
    name: 'Window pillar, fore',
    substrate: 'gloss-black',
    curvature: 1.05,
    path: 'M3488 1292 L3488 2062 L3526 2062 L3526 1292 Z',
  },
  {
    id: 'side-glass',
    name: 'Side glass',
    substrate: 'glass',
    curvature: 1.02,
    path: 'M3534 1292 L3534 2062 L4640 2062 L4640 1292 Z',
  },
  {
    id: 'window-pillar-rear',
    name: 'Window pillar, rear',
    substrate: 'gloss-black',
    curvature: 1.05,
    path: 'M4648 1292 L4648 2062 L4686 2062 L4686 1292 Z',
  },
  {
    id: 'quarter-glass',
    name: 'Quarter glass',
    substrate: 'glass',
    curvature: 1.03,
    path: 'M4694 1292 L4694 2062 L5690 2062 C5730 2062 5752 2040 5754 2000 L5764 1330 C5764 1306 5754 1292 5730 1292 Z',
  },
  {
    id: 'rear-pillar',
    name: 'Rear pillar',
    substrate: 'clear-gloss',
    curvature: 1.1,
    path: 'M5780 1278 L5768 2062 L5868 2062 L5890 1560 L5868 1278 Z',
  },
];

const GLAZED_DOORS: readonly StripPanel[] = [
  {
    id: 'rear-door-heads',
    name: 'Rear doors, heads',
    substrate: 'clear-gloss',
    curvature: 1.05,
    zone: 'rear',
    half: 'M12.04 0 L12.04 780 L12.19 818 L12.19 0 Z',
  },
  {
    id: 'rear-glass',
    name: 'Rear door glass, both',
    substrate: 'glass',
    curvature: 1.03,
    zone: 'rear',
    half: 'M12.22 0 L12.22 800 C12.4 836 12.7 856 12.92 864 L12.92 0 Z',
  },
  {
    id: 'rear-doors',
    name: 'Rear doors, lower, both',
    substrate: 'clear-gloss',
    curvature: 1.03,
    zone: 'rear',
    half: 'M12.96 0 L12.96 886 L13.94 890 L13.94 0 Z',
  },
];

const LOWER_NAMES: Readonly<Record<string, string>> = {
  'side-fore': 'Sliding door, lower',
  'side-rear': 'Rear side, lower',
};

/** A long minibus on the body of the van: glazed sides, sliding door, rear doors with windows. */
export const MINIBUS: VehicleDrawing = {
  ...HIGH_VAN,
  id: 'minibus',
  name: 'Minibus, glazed sides',
  usual: { lengthMm: 5980, widthMm: 2020, heightMm: 2550, wheelbaseMm: 3660 },
  groups: ['sensors'],
  strip: HIGH_VAN.strip.flatMap((panel) => (panel.id === 'rear-doors' ? GLAZED_DOORS : [panel])),
  side: [
    ...HIGH_VAN.side
      .filter(({ id }) => !REPLACED_SIDE.includes(id))
      .map((panel) => ({ ...panel, name: LOWER_NAMES[panel.id] ?? panel.name })),
    ...GLAZED_SIDE,
  ],
  // Without the panelled upper sides, their rails have nothing to lie on.
  sideLines: [
    ...HIGH_VAN.sideLines.filter((line) => !/^M(2340 1420|3560 1360)/.test(line)),
    'M2898 1292 L2898 2062',
    'M2340 1120 L2480 1120 L2480 1156 L2340 1156 Z',
    'M2304 2150 L5860 2150',
  ],
};
