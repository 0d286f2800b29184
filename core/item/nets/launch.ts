import { type Point, simpsonOutline } from '#core/item/geometry';
import type { DrawnLine, DrawnPanel, View, ViewsDrawing } from './views';

const LENGTH_MM = 7200;
const STATION_MM = 900;
/** Girths of the topsides from sheer to waterline, developed, at equal stations from the stem, mm. */
const GIRTHS_MM = [0, 1060, 1180, 1150, 1110, 1080, 1060, 1040, 1020];
/** Height of the sheer over the waterline amidships at the same stations, mm. */
const SHEER_MM = [1330, 1250, 1190, 1145, 1110, 1085, 1065, 1050, 1040];

const path = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;

/** The topsides hang from the sheer by their girths: their area is Simpson's over the stations. */
const TOPSIDES = path(simpsonOutline(GIRTHS_MM, STATION_MM, SHEER_MM));
const STRAKE = path(
  simpsonOutline(
    SHEER_MM.map(() => 62),
    STATION_MM,
    SHEER_MM.map((z) => z + 74),
  ),
);

const SIDE: readonly DrawnPanel[] = [
  { id: 'topsides', name: 'Topsides', substrate: 'gelcoat', curvature: 1, path: TOPSIDES },
  { id: 'rubbing-strake', name: 'Rubbing strake', substrate: 'rubber', curvature: 1.4, path: STRAKE },
];
const SIDE_LINES: readonly DrawnLine[] = [
  // Boot-top, waterline, ports, cove line, outboard.
  'M420 40 L7200 20',
  'M300 0 L7300 0',
  'M1980 760 A95 95 0 0 1 2170 760 A95 95 0 0 1 1980 760 L1980 761',
  'M2560 740 A95 95 0 0 1 2750 740 A95 95 0 0 1 2560 740 L2560 741',
  'M500 1120 C2000 1010 4500 930 7160 920',
  'M7220 1080 L7420 1080 L7440 700 L7330 660 L7330 -300 L7250 -300 L7240 660 L7210 700 Z',
];

const topside = (lies: 'left' | 'right'): View => ({
  lies,
  zone: lies,
  along: 'lengthMm',
  across: 'heightMm',
  boxMm: [LENGTH_MM, 1410],
  panels: SIDE,
  lines: SIDE_LINES,
});

const CABIN_SIDE: readonly DrawnPanel[] = [
  {
    id: 'cabin-side',
    name: 'Cabin side',
    substrate: 'gelcoat',
    curvature: 1.04,
    path: 'M1500 0 C1800 120 2100 200 2400 240 L4300 240 L4300 0 Z',
  },
  {
    id: 'cabin-window',
    name: 'Cabin window',
    substrate: 'acrylic-window',
    curvature: 1.03,
    path: 'M2560 262 L2800 500 C2820 520 2840 528 2870 528 L3900 528 C3930 528 3944 512 3940 484 L3900 262 Z',
  },
  {
    id: 'wheelhouse-side',
    name: 'Wheelhouse side',
    substrate: 'gelcoat',
    curvature: 1.04,
    path: 'M3924 256 L3962 500 C3966 540 3940 552 3900 552 L2860 552 L2920 620 L4460 620 L4300 256 Z',
  },
];
const cabin = (lies: 'left' | 'right'): View => ({
  lies,
  zone: lies,
  along: 'lengthMm',
  across: 'heightMm',
  boxMm: [LENGTH_MM, 640],
  panels: CABIN_SIDE,
  lines: ['M3250 264 L3250 526', 'M1560 -20 L4460 -20', 'M4400 616 L4400 0'],
});

const DECK: View = {
  lies: 'plan',
  zone: 'top',
  along: 'lengthMm',
  across: 'widthMm',
  boxMm: [LENGTH_MM, 2500],
  panels: [
    {
      id: 'foredeck',
      name: 'Foredeck',
      substrate: 'gelcoat',
      curvature: 1.06,
      mirror: 'half',
      path: 'M60 0 C260 360 760 780 1440 1010 L1440 420 C1300 360 1250 200 1240 0 Z',
    },
    {
      id: 'side-deck',
      name: 'Side deck',
      substrate: 'gelcoat',
      curvature: 1.05,
      mirror: 'pair',
      path: 'M1456 1016 C2200 1220 3200 1244 4400 1236 L4400 880 L2600 850 C2200 830 1700 700 1456 560 Z',
    },
    {
      id: 'trunk',
      name: 'Cabin trunk, top',
      substrate: 'gelcoat',
      curvature: 1.06,
      mirror: 'half',
      path: 'M1256 0 C1266 190 1316 340 1460 410 L1470 540 C1700 680 2200 800 2520 832 L2520 0 Z',
    },
    {
      id: 'windscreen',
      name: 'Windscreen',
      substrate: 'acrylic-window',
      curvature: 1.04,
      mirror: 'half',
      path: 'M2540 0 L2540 826 L2860 790 L2860 0 Z',
    },
    {
      id: 'cabin-roof',
      name: 'Wheelhouse roof',
      substrate: 'gelcoat',
      curvature: 1.05,
      mirror: 'half',
      path: 'M2880 0 L2880 800 C3400 840 3900 846 4400 840 C4440 838 4460 820 4460 780 L4460 0 Z',
    },
    {
      id: 'cockpit-sole',
      name: 'Cockpit sole, non-slip',
      substrate: 'grip',
      curvature: 1.02,
      mirror: 'half',
      path: 'M4480 0 L4480 690 L6560 650 L6560 0 Z',
    },
    {
      id: 'coaming',
      name: 'Cockpit coaming and side deck',
      substrate: 'gelcoat',
      curvature: 1.2,
      mirror: 'pair',
      path: 'M4480 704 L4480 1234 C5400 1222 6400 1180 7180 1130 L7180 700 L6574 664 Z',
    },
    {
      id: 'aft-bench',
      name: 'Aft bench',
      substrate: 'wood',
      curvature: 1.1,
      mirror: 'half',
      path: 'M6576 0 L6576 648 L7180 686 L7180 0 Z',
    },
  ],
  lines: [
    'M300 0 L1230 0',
    'M560 0 L560 160 L900 160 L900 0',
    'M1700 0 L1700 300 L2200 300 L2200 0',
    'M3300 0 L3300 260 L3800 260 L3800 0',
    'M4700 0 L4700 660',
    'M5200 0 L5200 650',
    'M5700 0 L5700 640',
    'M6200 0 L6200 630',
    'M6600 160 L7170 170',
    'M6600 330 L7170 345',
    'M6600 500 L7170 520',
    { at: [330, 120], radiusMm: 40 },
  ],
};

const TRANSOM: View = {
  lies: 'plan',
  zone: 'rear',
  along: 'heightMm',
  across: 'widthMm',
  boxMm: [1100, 2260],
  panels: [
    {
      id: 'transom',
      name: 'Transom',
      substrate: 'gelcoat',
      curvature: 1.02,
      mirror: 'half',
      path: 'M20 0 L20 1110 C400 1090 760 1030 1020 920 L1060 0 Z',
    },
  ],
  lines: ['M20 300 L260 300 L260 0', 'M500 560 L500 900'],
};

/** A motor launch afloat to the waterline: topsides by developed girths, deck, cabin and transom. Below the water: a yard's work. */
export const LAUNCH: ViewsDrawing = {
  id: 'launch',
  name: 'Motor launch, small cabin',
  reference: { lengthMm: LENGTH_MM, widthMm: 2500, heightMm: 1100 },
  usual: { lengthMm: 7200, widthMm: 2500, heightMm: 1100 },
  plausible: { lengthMm: [4500, 12_000], widthMm: [1700, 4000], heightMm: [700, 2000] },
  words: { lengthMm: 'length of the hull', widthMm: 'beam', heightMm: 'sheer over the waterline amidships' },
  rows: [[topside('left')], [cabin('left')], [DECK, TRANSOM], [cabin('right')], [topside('right')]],
};
