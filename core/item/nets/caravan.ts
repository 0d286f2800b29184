import type { DrawnLine, DrawnPanel, View, ViewsDrawing } from './views';

const LENGTH_MM = 5600;
const HEIGHT_MM = 2600;

/** What both sides have. The door stands on one of them only. */
const BOTH_SIDES: readonly DrawnPanel[] = [
  {
    id: 'side-upper',
    name: 'Side above the windows',
    substrate: 'clear-gloss',
    curvature: 1.03,
    path: 'M268 1896 C300 2200 460 2520 800 2580 L4900 2580 C5240 2560 5420 2380 5480 2080 L5500 1896 Z',
  },
  {
    id: 'window-fore',
    name: 'Window, fore',
    substrate: 'acrylic-window',
    curvature: 1.05,
    path: 'M360 1220 L400 1820 C404 1850 420 1866 450 1866 L1500 1866 C1530 1866 1546 1850 1546 1820 L1546 1220 C1546 1190 1530 1174 1500 1174 L400 1174 C370 1174 358 1190 360 1220 Z',
  },
  {
    id: 'window-rear',
    name: 'Window, rear',
    substrate: 'acrylic-window',
    curvature: 1.05,
    path: 'M4480 1220 L4480 1820 C4480 1850 4496 1866 4526 1866 L5320 1866 C5350 1866 5366 1850 5370 1820 L5404 1220 C5404 1190 5390 1174 5360 1174 L4526 1174 C4496 1174 4480 1190 4480 1220 Z',
  },
  {
    id: 'side-lower-fore',
    name: 'Side below the stripe, fore',
    substrate: 'clear-gloss',
    curvature: 1.02,
    path: 'M150 480 L216 1020 L2440 1020 L2440 480 Z',
  },
  {
    id: 'stripe-fore',
    name: 'Stripe, fore',
    substrate: 'vinyl',
    curvature: 1.01,
    path: 'M220 1034 L234 1150 L3560 1150 L3560 1034 Z',
  },
  {
    id: 'wheel-panel',
    name: 'Side over the wheel',
    substrate: 'clear-gloss',
    curvature: 1.04,
    path: 'M2454 480 L2454 1020 L3560 1020 L3560 480 L3353 480 A380 380 0 0 1 2647 480 Z',
  },
  {
    id: 'skirt',
    name: 'Skirt',
    substrate: 'textured-plastic',
    curvature: 1.1,
    path: 'M190 360 L180 466 L2640 466 L2616 360 Z',
  },
  {
    id: 'wheel',
    name: 'Wheel',
    substrate: 'wheel',
    piece: 'wheel-face',
    curvature: 0.85,
    round: { at: [3000, 330], radiusMm: 190 },
  },
];

const WALL_BETWEEN = 'M1562 1166 L1562 1882 L3560 1882 L3560 1166 Z';

const BLANK_SIDE: readonly DrawnPanel[] = [
  {
    id: 'side-middle',
    name: 'Side between the windows',
    substrate: 'clear-gloss',
    curvature: 1.02,
    path: WALL_BETWEEN,
  },
  {
    id: 'side-rear',
    name: 'Side, rear',
    substrate: 'clear-gloss',
    curvature: 1.02,
    path: 'M3574 480 L3574 1882 L4464 1882 L4464 1160 L5420 1160 L5510 480 Z',
  },
];

const DOOR_SIDE: readonly DrawnPanel[] = [
  {
    id: 'side-middle',
    name: 'Side between the windows',
    substrate: 'clear-gloss',
    curvature: 1.02,
    path: WALL_BETWEEN,
  },
  {
    id: 'door',
    name: 'Entrance door',
    substrate: 'clear-gloss',
    curvature: 1.04,
    path: 'M3600 470 L3600 1830 C3600 1860 3620 1878 3650 1878 L4210 1878 C4240 1878 4260 1860 4260 1830 L4260 470 Z',
  },
  {
    id: 'side-rear',
    name: 'Side, rear',
    substrate: 'clear-gloss',
    curvature: 1.02,
    path: 'M4276 480 L4276 1882 L4464 1882 L4464 1160 L5420 1160 L5510 480 Z',
  },
];

const LINES: readonly DrawnLine[] = [
  { at: [3000, 330], radiusMm: 330 },
  { at: [3000, 330], radiusMm: 50 },
  // Outline of the body's ends, tow bar, jockey wheel, corner steady, vents, ground.
  'M150 480 C170 900 210 1400 262 1860',
  'M5512 480 L5560 700 L5540 1300 L5504 1880',
  'M150 440 L-700 420 L-780 470 L-780 500 L-640 490 L150 520',
  'M-600 420 L-600 160',
  { at: [-600, 110], radiusMm: 100 },
  'M480 360 L560 60 L620 60 L600 360',
  'M5040 360 L5100 60 L5040 60 L4960 360',
  'M3360 360 L5470 360 L5500 466 L3360 466 Z',
  'M1900 640 L2260 640 L2260 920 L1900 920 Z',
  'M1900 2040 L2300 2040 L2300 2120 L1900 2120 Z',
  'M2640 1260 L3120 1260 L3120 1420 L2640 1420 Z',
  'M-860 0 L5700 0',
];

const side = (lies: 'left' | 'right', panels: readonly DrawnPanel[], lines: readonly DrawnLine[]): View => ({
  lies,
  zone: lies,
  along: 'lengthMm',
  across: 'heightMm',
  boxMm: [LENGTH_MM, HEIGHT_MM],
  panels: [...BOTH_SIDES, ...panels],
  lines: [...LINES, ...lines],
});

/** The front folded down from the roof: its top edge at the roof, its foot outwards. */
const FRONT: View = {
  lies: 'plan',
  zone: 'front',
  along: 'heightMm',
  across: 'widthMm',
  boxMm: [2240, 2250],
  ahead: true,
  panels: [
    {
      id: 'front-panel',
      name: 'Front panel',
      substrate: 'gelcoat',
      curvature: 1.08,
      mirror: 'half',
      path: 'M60 0 L60 1060 L920 1090 L920 0 Z',
    },
    {
      id: 'front-window',
      name: 'Front window',
      substrate: 'acrylic-window',
      curvature: 1.08,
      mirror: 'half',
      path: 'M940 0 L940 960 C944 1000 960 1020 1000 1020 L1480 1010 C1520 1008 1530 990 1530 960 L1530 0 Z',
    },
    {
      id: 'front-head',
      name: 'Front above the window',
      substrate: 'gelcoat',
      curvature: 1.12,
      mirror: 'half',
      path: 'M1550 0 L1550 1080 L2226 1060 L2226 0 Z',
    },
  ],
  lines: ['M200 0 L200 520 L780 520 L780 0', 'M945 340 L1525 340', 'M1100 700 C1080 740 1080 800 1100 840'],
};

const REAR: View = {
  lies: 'plan',
  zone: 'rear',
  along: 'heightMm',
  across: 'widthMm',
  boxMm: [2240, 2250],
  panels: [
    {
      id: 'rear-head',
      name: 'Rear above the window',
      substrate: 'gelcoat',
      curvature: 1.1,
      mirror: 'half',
      path: 'M14 0 L14 1060 L620 1080 L620 0 Z',
    },
    {
      id: 'rear-window',
      name: 'Rear window',
      substrate: 'acrylic-window',
      curvature: 1.05,
      mirror: 'half',
      path: 'M640 0 L640 900 C640 940 660 956 700 956 L1180 956 C1220 956 1236 940 1236 900 L1236 0 Z',
    },
    {
      id: 'rear-panel',
      name: 'Rear panel',
      substrate: 'gelcoat',
      curvature: 1.06,
      mirror: 'half',
      path: 'M1256 0 L1256 1080 L1930 1070 L1930 0 Z',
    },
    {
      id: 'rear-bumper',
      name: 'Rear bumper',
      substrate: 'textured-plastic',
      curvature: 1.15,
      mirror: 'half',
      path: 'M1950 0 L1950 1074 C2060 1090 2160 1070 2200 1000 L2200 0 Z',
    },
    {
      id: 'rear-lamp',
      name: 'Rear lamp',
      substrate: 'lens-plastic',
      piece: 'lamp',
      curvature: 1.1,
      mirror: 'pair',
      path: 'M700 984 L700 1072 L1200 1076 L1200 984 Z',
    },
  ],
  lines: ['M1400 0 L1400 260 L1520 260 L1520 0', 'M1300 620 L1860 620', 'M1300 700 L1860 700'],
};

const ROOF: View = {
  lies: 'plan',
  zone: 'top',
  along: 'lengthMm',
  across: 'widthMm',
  boxMm: [LENGTH_MM, 2250],
  panels: [
    {
      id: 'roof-fore',
      name: 'Roof, fore',
      substrate: 'clear-gloss',
      curvature: 1.03,
      mirror: 'half',
      path: 'M14 0 L14 1060 C400 1080 800 1090 1900 1090 L1900 0 Z',
    },
    {
      id: 'roof-middle',
      name: 'Roof, middle',
      substrate: 'clear-gloss',
      curvature: 1.02,
      mirror: 'half',
      path: 'M1914 0 L1914 1090 L3700 1090 L3700 0 Z',
    },
    {
      id: 'roof-rear',
      name: 'Roof, rear',
      substrate: 'clear-gloss',
      curvature: 1.03,
      mirror: 'half',
      path: 'M3714 0 L3714 1090 C4800 1090 5300 1080 5586 1060 L5586 0 Z',
    },
  ],
  lines: [
    'M900 0 L900 350 L1600 350 L1600 0',
    'M2500 0 L2500 210 L2920 210 L2920 0',
    'M4200 0 L4200 210 L4620 210 L4620 0',
    'M100 980 L5500 980',
  ],
};

/** A single-axle caravan: aluminium sides and roof, moulded ends, acrylic windows. Its length is that of the body. */
export const CARAVAN: ViewsDrawing = {
  id: 'caravan',
  name: 'Caravan, single axle',
  reference: { lengthMm: LENGTH_MM, widthMm: 2250, heightMm: HEIGHT_MM },
  usual: { lengthMm: 5600, widthMm: 2250, heightMm: 2600 },
  plausible: { lengthMm: [3600, 7600], widthMm: [1900, 2550], heightMm: [2300, 2900] },
  words: { lengthMm: 'length of the body', widthMm: 'width' },
  groups: ['wheel-insides', 'plates', 'seals'],
  rows: [
    [side('left', BLANK_SIDE, ['M4640 560 L5100 560 L5100 1000 L4640 1000 Z'])],
    [FRONT, ROOF, REAR],
    [
      side('right', DOOR_SIDE, [
        'M3720 1300 L4140 1300 L4140 1760 L3720 1760 Z',
        'M4180 1060 L4216 1060 L4216 1180 L4180 1180 Z',
        'M3680 300 L4180 300 L4180 400 L3680 400 Z',
      ]),
    ],
  ],
};
