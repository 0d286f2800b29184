import { OFF_ROADER } from './off-roader';
import { FRONT_STRIP, widened, widenedLine } from './strips';
import type { SidePanel, VehicleDrawing } from './vehicle';

const WIDTH_MM = 1900;
const WIDENED = WIDTH_MM / 1760;

/** Ahead of the rear door it shares its lines with the off-roader. */
const AS_OFF_ROADER = ['front-bumper-corner', 'headlamp', 'front-wing', 'mirror', 'front-door-glass', 'b-pillar'];
const FRONT_SIDE: readonly SidePanel[] = OFF_ROADER.side.filter(
  ({ id }) => AS_OFF_ROADER.includes(id) || id === 'front-door' || id === 'front-wheel',
);

/** A pick-up with a double cab: four doors, a load bed with its own sides, a tailgate. */
export const PICK_UP: VehicleDrawing = {
  id: 'pick-up',
  name: 'Pick-up, double cab',
  reference: { lengthMm: 5300, widthMm: WIDTH_MM, heightMm: 1800, wheelbaseMm: 3200 },
  usual: { lengthMm: 5330, widthMm: 1890, heightMm: 1800, wheelbaseMm: 3200 },
  plausible: {
    lengthMm: [4900, 6000],
    widthMm: [1700, 2150],
    heightMm: [1600, 2050],
    wheelbaseMm: [2900, 3800],
  },
  groups: ['sensors'],
  frontAxleMm: 900,
  archHalfMm: 444,
  profile: [
    ...OFF_ROADER.profile.slice(0, 9),
    [3260, 1782],
    [3440, 1716],
    [3516, 1240],
    [3560, 760],
    [5160, 760],
    [5226, 1214],
    [5248, 780],
    [5296, 660],
    [5290, 500],
    [5230, 350],
  ],
  anchor: 6,
  roofHalfMm: 600,
  strip: [
    ...widened(FRONT_STRIP, WIDENED),
    {
      id: 'roof',
      name: 'Roof',
      substrate: 'clear-gloss',
      curvature: 1.02,
      zone: 'top',
      half: 'M7.05 0 C7.05 300 7.04 500 7.0 578 C7.5 592 8.2 598 9 592 C9.5 588 9.8 570 9.94 548 L9.94 0 Z',
    },
    {
      id: 'rear-glass',
      name: 'Cab rear screen',
      substrate: 'glass',
      curvature: 1.02,
      zone: 'rear',
      half: 'M10.06 0 L10.06 520 C10.3 548 10.7 560 10.94 560 L10.94 0 Z',
    },
    {
      id: 'cab-back',
      name: 'Cab, back',
      substrate: 'clear-gloss',
      curvature: 1.05,
      zone: 'rear',
      half: 'M11.03 0 L11.03 700 L11.95 720 L11.95 0 Z',
    },
    {
      id: 'load-bed',
      name: 'Load bed, floor',
      substrate: 'textured-plastic',
      curvature: 1.25,
      zone: 'top',
      half: 'M12.02 0 L12.02 690 L12.2 690 C12.21 560 12.23 520 12.27 520 L12.41 520 C12.45 520 12.47 560 12.48 690 L12.98 690 L12.98 0 Z',
    },
    {
      id: 'bed-lining',
      name: 'Load bed, inside of its sides',
      substrate: 'textured-plastic',
      curvature: 1.1,
      zone: 'top',
      half: 'M13.03 0 L13.03 700 L13.96 720 L13.96 0 Z',
    },
    {
      id: 'tailgate',
      name: 'Tailgate',
      substrate: 'clear-gloss',
      curvature: 1.06,
      zone: 'rear',
      half: 'M14.03 0 L14.03 690 C14.3 704 14.7 704 14.97 690 L14.97 0 Z',
    },
    {
      id: 'rear-bumper',
      name: 'Rear bumper',
      substrate: 'chrome',
      curvature: 1.15,
      zone: 'rear',
      half: 'M15.1 0 L15.1 760 C15.6 800 16.6 800 17.3 770 L17.3 0 Z',
    },
  ],
  side: [
    ...FRONT_SIDE,
    {
      id: 'pillar-rail',
      name: 'A-pillar and roof rail',
      substrate: 'clear-gloss',
      curvature: 1.2,
      path: 'M1308 1184 C1480 1336 1680 1528 1860 1668 C2000 1726 2200 1762 2400 1774 C2700 1780 3000 1778 3260 1768 L3436 1708 L3340 1640 C3000 1684 2700 1694 2500 1688 C2300 1680 2080 1660 1936 1612 C1780 1480 1620 1330 1480 1184 L1392 1174 Z',
    },
    {
      id: 'rear-door-glass',
      name: 'Rear door glass',
      substrate: 'glass',
      curvature: 1.02,
      path: 'M2554 1208 L2566 1674 C2760 1678 2980 1668 3180 1644 L3270 1222 Z',
    },
    {
      id: 'rear-door',
      name: 'Rear door',
      substrate: 'clear-gloss',
      curvature: 1.03,
      path: 'M2494 470 L2494 1193 L3440 1208 L3440 470 Z',
    },
    {
      id: 'cab-corner',
      name: 'Cab corner',
      substrate: 'clear-gloss',
      curvature: 1.06,
      path: 'M3284 1222 L3194 1642 L3330 1626 L3424 1694 L3502 1240 L3502 470 L3454 470 L3454 1222 Z',
    },
    {
      id: 'bed-side',
      name: 'Load bed side',
      substrate: 'clear-gloss',
      curvature: 1.05,
      path: 'M3520 470 L3520 1196 L5090 1208 L5090 900 L5234 890 L5240 764 L4940 760 L4920 470 L4533 470 A441 441 0 0 1 3667 470 Z',
    },
    {
      id: 'tail-lamp',
      name: 'Tail lamp',
      substrate: 'lens-plastic',
      piece: 'lamp',
      curvature: 1.15,
      path: 'M5104 912 L5104 1206 L5214 1200 L5234 904 Z',
    },
    {
      id: 'sill',
      name: 'Sill and side step',
      substrate: 'textured-plastic',
      curvature: 1.15,
      path: 'M1350 330 L3440 330 L3440 454 L1388 454 Z',
    },
    {
      id: 'rear-bumper-corner',
      name: 'Rear bumper corner',
      substrate: 'chrome',
      curvature: 1.15,
      path: 'M4936 440 L4954 740 L5252 746 L5296 650 L5290 500 L5236 440 Z',
    },
    {
      id: 'rear-wheel',
      name: 'Rear wheel',
      substrate: 'wheel',
      piece: 'wheel-face',
      curvature: 0.68,
      path: 'M3845 385 A255 255 0 0 1 4355 385 A255 255 0 0 1 3845 385 Z',
    },
  ],
  sideLines: [
    // Tyres and hubs, handles, creases, bed rail, filler flap, mirror stalk, ground.
    'M515 385 A385 385 0 0 1 1285 385 A385 385 0 0 1 515 385 L515 386',
    'M3715 385 A385 385 0 0 1 4485 385 A385 385 0 0 1 3715 385 L3715 386',
    'M850 385 A50 50 0 0 1 950 385 A50 50 0 0 1 850 385 L850 386',
    'M4050 385 A50 50 0 0 1 4150 385 A50 50 0 0 1 4050 385 L4050 386',
    'M2200 1040 C2260 1032 2350 1032 2410 1042 L2406 1070 C2350 1060 2260 1060 2204 1068 Z',
    'M3130 1056 C3190 1048 3270 1048 3330 1058 L3326 1086 C3270 1076 3190 1076 3134 1084 Z',
    'M520 960 C1300 1000 2700 1010 3430 1016',
    'M3540 1020 L5080 1030',
    'M3530 1170 L5086 1182',
    'M1450 560 C2100 590 2700 596 3430 600',
    'M4700 900 L4820 902 L4820 1020 L4700 1018 Z',
    'M1350 1320 L1440 1230',
    'M-40 0 L5350 0',
  ],
  stripLines: [
    ...['M3.3 193 C3.8 221 4.5 276 4.95 331', 'M5.3 55 L6.0 589', 'M1.7 0 L1.7 239 L2.2 239 L2.2 0'].map((line) =>
      widenedLine(line, WIDENED),
    ),
    'M12.05 120 L12.95 120',
    'M12.05 240 L12.95 240',
    'M12.05 360 L12.95 360',
    'M14.3 0 L14.3 130 L14.45 130 L14.45 0',
    'M15.6 0 L15.6 260 L16.4 260 L16.4 0',
    'M10.1 260 L10.9 260',
  ],
};
