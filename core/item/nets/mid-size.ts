/** What the saloon and the estate of the middle class share: all ahead of the rear door, and what is below it. */
import type { SidePanel, VehicleDimensions } from './vehicle';

export const MID_SIZE: VehicleDimensions = { lengthMm: 4700, widthMm: 1830, heightMm: 1440, wheelbaseMm: 2790 };
export const MID_SIZE_FRONT_AXLE_MM = 880;
export const MID_SIZE_ARCH_HALF_MM = 372;
/** Their profile from the bumper to the foot of the windscreen, mm. */
export const MID_SIZE_NOSE: readonly (readonly [number, number])[] = [
  [70, 210],
  [5, 420],
  [10, 600],
  [75, 700],
  [520, 850],
  [1180, 960],
  [1290, 985],
];
/** Their width against the strips they are made from. */
export const MID_SIZE_WIDENED = 1830 / 1760;

export const MID_SIZE_SIDE: readonly SidePanel[] = [
  {
    id: 'front-bumper-corner',
    name: 'Front bumper corner',
    substrate: 'clear-gloss',
    body: 'plastic',
    curvature: 1.1,
    path: 'M95 240 L40 400 C25 500 25 590 62 666 C170 654 310 662 400 704 L422 622 L500 410 L493 330 L500 240 Z',
  },
  {
    id: 'headlamp',
    name: 'Headlamp',
    substrate: 'lens-plastic',
    piece: 'lamp',
    curvature: 1.08,
    path: 'M74 684 C180 672 330 676 406 720 L460 806 C330 790 165 756 74 684 Z',
  },
  {
    id: 'front-wing',
    name: 'Front wing',
    substrate: 'clear-gloss',
    curvature: 1.06,
    path: 'M524 412 L438 628 C430 672 424 696 420 720 L474 814 C660 858 930 916 1180 956 L1262 974 L1334 966 C1342 740 1334 500 1330 330 L1256 300 L1248 318 A370 370 0 0 1 524 412 Z',
  },
  {
    id: 'mirror',
    name: 'Mirror cap',
    substrate: 'clear-gloss',
    body: 'plastic',
    piece: 'mirror',
    curvature: 1.5,
    path: 'M1060 1130 C1060 1210 1150 1248 1260 1232 C1300 1226 1314 1140 1294 1104 C1220 1082 1068 1074 1060 1130 Z',
  },
  {
    id: 'front-door-glass',
    name: 'Front door glass',
    substrate: 'glass',
    curvature: 1.02,
    path: 'M1476 990 L2440 1010 L2452 1366 C2290 1360 2130 1344 2004 1308 C1810 1212 1630 1094 1476 990 Z',
  },
  {
    id: 'b-pillar',
    name: 'B-pillar',
    substrate: 'gloss-black',
    curvature: 1.05,
    path: 'M2454 1010 L2466 1367 L2568 1369 L2556 1013 Z',
  },
  {
    id: 'front-door',
    name: 'Front door',
    substrate: 'clear-gloss',
    curvature: 1.03,
    path: 'M1344 340 C1348 500 1358 740 1350 962 L2496 998 L2496 340 Z',
  },
  {
    id: 'rear-door',
    name: 'Rear door',
    substrate: 'clear-gloss',
    curvature: 1.03,
    path: 'M2510 340 L2510 999 L3420 1019 C3428 900 3390 780 3300 670 C3220 570 3180 460 3172 340 Z',
  },
  {
    id: 'sill',
    name: 'Sill',
    substrate: 'textured-plastic',
    curvature: 1.15,
    path: 'M1258 212 L3290 212 L3272 308 L1336 322 Z',
  },
  {
    id: 'front-wheel',
    name: 'Front wheel',
    substrate: 'wheel',
    piece: 'wheel-face',
    curvature: 0.68,
    path: 'M660 325 A220 220 0 0 1 1100 325 A220 220 0 0 1 660 325 Z',
  },
  {
    id: 'rear-wheel',
    name: 'Rear wheel',
    substrate: 'wheel',
    piece: 'wheel-face',
    curvature: 0.68,
    path: 'M3450 325 A220 220 0 0 1 3890 325 A220 220 0 0 1 3450 325 Z',
  },
];

/** Tyres and hubs, handles, waist crease, lower crease, mirror stalk, ground. */
export const MID_SIZE_SIDE_LINES: readonly string[] = [
  'M555 325 A325 325 0 0 1 1205 325 A325 325 0 0 1 555 325 L555 326',
  'M3345 325 A325 325 0 0 1 3995 325 A325 325 0 0 1 3345 325 L3345 326',
  'M835 325 A45 45 0 0 1 925 325 A45 45 0 0 1 835 325 L835 326',
  'M3625 325 A45 45 0 0 1 3715 325 A45 45 0 0 1 3625 325 L3625 326',
  'M2230 856 C2290 848 2380 848 2436 858 L2432 884 C2380 874 2290 874 2234 882 Z',
  'M3130 880 C3190 872 3270 872 3326 882 L3322 908 C3270 898 3190 898 3134 906 Z',
  'M560 756 C1300 800 2700 836 4240 862',
  'M1400 390 C2000 440 2700 450 3130 480',
  'M1294 1120 L1390 1030',
  'M1070 836 L1170 852 L1168 866 L1074 850 Z',
  'M-40 0 L4740 0',
];
