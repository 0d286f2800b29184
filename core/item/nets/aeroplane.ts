import svgpath from 'svgpath';
import type { DrawnLine, DrawnPanel, View, ViewsDrawing } from './views';

const LENGTH_MM = 6200;
const SPAN_MM = 9800;
const TAIL_SPAN_MM = 3000;

const SIDE: readonly DrawnPanel[] = [
  {
    id: 'spinner',
    name: 'Spinner',
    substrate: 'aircraft-paint',
    curvature: 1.4,
    path: 'M0 1180 C30 1250 100 1288 160 1294 L160 1066 C100 1072 30 1110 0 1180 Z',
  },
  {
    id: 'cowling',
    name: 'Cowling',
    substrate: 'aircraft-paint',
    body: 'composite',
    curvature: 1.12,
    path: 'M180 1300 C500 1400 900 1440 1290 1450 L1290 830 C900 820 500 860 300 940 C200 1000 180 1050 180 1080 Z',
  },
  {
    id: 'fuselage-fore',
    name: 'Fuselage ahead of the door',
    substrate: 'aircraft-paint',
    curvature: 1.05,
    path: 'M1304 826 L1304 1452 L1480 1470 L1480 820 Z',
  },
  {
    id: 'door',
    name: 'Cabin door',
    substrate: 'aircraft-paint',
    curvature: 1.04,
    path: 'M1494 836 L1494 1466 L1530 1480 L2442 1480 L2442 836 Z',
  },
  {
    id: 'door-window',
    name: 'Door window',
    substrate: 'acrylic-window',
    curvature: 1.04,
    path: 'M1580 1496 C1660 1640 1780 1800 1900 1880 L2420 1880 L2420 1496 Z',
  },
  {
    id: 'rear-window',
    name: 'Rear side window',
    substrate: 'acrylic-window',
    curvature: 1.06,
    path: 'M2470 1496 L2470 1880 L2900 1880 C3000 1820 3060 1700 3080 1566 L3004 1496 Z',
  },
  {
    id: 'fuselage-mid',
    name: 'Fuselage behind the door',
    substrate: 'aircraft-paint',
    curvature: 1.06,
    path: 'M2456 832 L2456 1480 L3012 1480 L3098 1556 L3160 1542 L3160 902 C2900 846 2700 832 2456 832 Z',
  },
  {
    id: 'tail-cone',
    name: 'Tail cone',
    substrate: 'aircraft-paint',
    body: 'composite',
    curvature: 1.08,
    path: 'M3174 906 L3174 1536 C3900 1440 4800 1330 5500 1290 L5760 1284 L5760 1176 C4900 1110 3900 1010 3174 906 Z',
  },
  {
    id: 'fin',
    name: 'Fin',
    substrate: 'aircraft-paint',
    curvature: 1.04,
    path: 'M4880 1356 C5100 1402 5300 1560 5470 2080 C5490 2150 5530 2190 5590 2194 L5784 2194 L5758 1300 L5514 1306 Z',
  },
  {
    id: 'rudder',
    name: 'Rudder',
    substrate: 'aircraft-paint',
    curvature: 1.03,
    path: 'M5800 2194 L5900 2190 C5990 2180 6040 2120 6060 2000 L6140 1180 L6000 1136 L5774 1150 L5774 1300 Z',
  },
  {
    id: 'nose-spat',
    name: 'Nose wheel fairing',
    substrate: 'aircraft-paint',
    body: 'composite',
    curvature: 1.35,
    path: 'M700 320 C690 170 1240 160 1320 262 C1240 400 1000 450 860 430 C760 410 704 380 700 320 Z',
  },
  {
    id: 'main-spat',
    name: 'Main wheel fairing',
    substrate: 'aircraft-paint',
    body: 'composite',
    curvature: 1.35,
    path: 'M1900 320 C1890 150 2560 150 2640 252 C2560 420 2200 470 2060 450 C1960 430 1904 390 1900 320 Z',
  },
  {
    id: 'static-port',
    name: 'Static port',
    substrate: 'sensor',
    curvature: 1,
    round: { at: [3420, 1180], radiusMm: 34 },
  },
];

const SIDE_LINES: readonly DrawnLine[] = [
  // Tyres, undercarriage legs, strut, propeller, screen in profile, wing root, handle, exhaust, ground.
  { at: [980, 190], radiusMm: 190 },
  { at: [2230, 200], radiusMm: 200 },
  'M980 420 L1060 826',
  'M2160 450 L1930 826 L1990 826 L2230 440',
  'M1760 850 L2180 1890 L2230 1890 L1810 840',
  'M80 1270 C50 1500 50 1800 90 2060 C120 2060 130 1800 120 1290',
  'M80 1090 C50 860 50 560 90 300 C120 300 130 560 120 1070',
  'M1310 1456 C1500 1560 1700 1760 1880 1900 L3000 1900 C3100 1800 3130 1660 3120 1560',
  'M1720 2010 C1900 2060 2700 2020 3180 1930 C2700 1900 2000 1900 1740 1930 C1690 1950 1690 1990 1720 2010 Z',
  'M2280 1180 L2400 1180 L2400 1214 L2280 1214 Z',
  'M900 826 L960 740 L1020 744',
  'M300 1180 C600 1150 1000 1130 1290 1130 L5740 1232',
  'M-40 0 L6240 0',
];

const elevation = (lies: 'left' | 'right'): View => ({
  lies,
  zone: lies,
  along: 'lengthMm',
  across: 'heightMm',
  boxMm: [LENGTH_MM, 2210],
  panels: SIDE,
  lines: SIDE_LINES,
});

/** A surface seen from above or below: drawn for the left half, stood on its head along the span for the right. */
function bothHalves(panels: readonly DrawnPanel[], spanMm: number): DrawnPanel[] {
  return panels.flatMap((panel) => [
    { ...panel, id: `${panel.id}-left`, name: `${panel.name}, left` },
    {
      ...panel,
      id: `${panel.id}-right`,
      name: `${panel.name}, right`,
      path: mirroredAlong(panel.path!, spanMm),
    },
  ]);
}

const mirroredAlong = (path: string, spanMm: number) => svgpath(path).scale(-1, 1).translate(spanMm, 0).toString();
const bothLines = (lines: readonly string[], spanMm: number) =>
  lines.flatMap((line) => [line, mirroredAlong(line, spanMm)]);

const paint = { substrate: 'aircraft-paint', curvature: 1.03 } as const;

/** Leading edge upwards. The wing's thickness makes its skin a little longer than its plan. */
const wing = (face: 'upper' | 'lower', extra: readonly DrawnPanel[]): View => ({
  lies: 'plain',
  zone: face === 'upper' ? 'top' : 'under',
  along: 'spanMm',
  across: 'lengthMm',
  boxMm: [SPAN_MM, 1480],
  panels: [
    ...bothHalves(
      [
        {
          ...paint,
          id: `wing-${face}`,
          name: `Wing, ${face}`,
          path: 'M44 500 C-10 720 20 1240 190 1430 L4380 1464 L4380 500 Z',
        },
        {
          ...paint,
          id: `aileron-${face}`,
          name: `Aileron, ${face}`,
          path: 'M96 210 L52 484 L2200 484 L2200 128 Z',
        },
        {
          ...paint,
          id: `flap-${face}`,
          name: `Flap, ${face}`,
          path: 'M2214 128 L2214 484 L4380 484 L4380 60 Z',
        },
      ],
      SPAN_MM,
    ),
    ...extra,
  ],
  lines: bothLines(
    face === 'upper'
      ? [
          'M120 1200 L4380 1230',
          'M3500 900 A60 60 0 0 1 3620 900 A60 60 0 0 1 3500 900 L3500 901',
          'M1500 520 L1500 1430',
        ]
      : [
          'M120 1200 L4380 1230',
          'M2600 760 L2760 760 L2760 820 L2600 820 Z',
          'M900 540 L900 620 L1100 620 L1100 540 Z',
        ],
    SPAN_MM,
  ),
});

const tailplane = (face: 'upper' | 'lower'): View => ({
  lies: 'plain',
  zone: face === 'upper' ? 'top' : 'under',
  along: 'spanMm',
  across: 'lengthMm',
  boxMm: [TAIL_SPAN_MM, 880],
  panels: bothHalves(
    [
      {
        ...paint,
        id: `tailplane-${face}`,
        name: `Tailplane, ${face}`,
        path: 'M60 400 C40 540 80 700 180 760 L1440 860 L1440 400 Z',
      },
      {
        ...paint,
        id: `elevator-${face}`,
        name: `Elevator, ${face}`,
        path: 'M100 120 L62 386 L1440 386 L1440 40 Z',
      },
    ],
    TAIL_SPAN_MM,
  ),
  lines: [],
});

const TOP: View = {
  lies: 'plan',
  zone: 'top',
  along: 'lengthMm',
  across: 'heightMm',
  boxMm: [LENGTH_MM, 1040],
  panels: [
    {
      ...paint,
      id: 'cowling-top',
      name: 'Cowling, top',
      mirror: 'half',
      path: 'M184 0 L190 150 C500 330 900 400 1290 420 L1290 0 Z',
    },
    {
      id: 'windscreen',
      name: 'Windscreen',
      substrate: 'acrylic-window',
      curvature: 1.12,
      mirror: 'half',
      path: 'M1310 0 L1310 424 C1500 480 1700 500 1880 500 L1880 0 Z',
    },
    {
      ...paint,
      id: 'rear-deck',
      name: 'Fuselage behind the wing, top',
      mirror: 'half',
      path: 'M3000 0 L3000 440 C3800 340 4500 190 4870 90 L4870 0 Z',
    },
  ],
  lines: ['M500 0 L500 250 L800 250 L800 0', 'M1900 0 L1900 500 L2980 450', 'M1310 0 L1880 0'],
};

const BELLY: View = {
  lies: 'plan',
  zone: 'under',
  along: 'lengthMm',
  across: 'heightMm',
  boxMm: [LENGTH_MM, 1040],
  panels: [
    {
      ...paint,
      id: 'cowling-under',
      name: 'Cowling, under',
      mirror: 'half',
      path: 'M240 0 L250 150 C500 320 900 390 1290 410 L1290 0 Z',
    },
    {
      ...paint,
      id: 'belly',
      name: 'Belly',
      mirror: 'half',
      path: 'M1310 0 L1310 412 C1900 500 2600 500 3150 420 L3150 0 Z',
    },
    {
      ...paint,
      id: 'tail-under',
      name: 'Tail cone, under',
      mirror: 'half',
      path: 'M3170 0 L3170 416 C4000 310 5100 130 5740 60 L5740 0 Z',
    },
  ],
  lines: ['M600 60 L900 60', 'M600 110 L900 110', 'M2000 180 L2300 180 L2300 260 L2000 260 Z'],
};

const STRUTS: View = {
  lies: 'plain',
  zone: 'under',
  along: 'spanMm',
  across: 'heightMm',
  boxMm: [2200, 620],
  panels: ['left', 'right'].map((side, index) => ({
    ...paint,
    id: `strut-${side}`,
    name: `Wing strut, ${side}`,
    path: `M0 ${index * 330 + 40} L2200 ${index * 330 + 40} L2200 ${index * 330 + 250} L0 ${index * 330 + 250} Z`,
  })),
  lines: [],
};

/** A high-wing two-seater with struts. Static port and pitot stay clear; what goes on it is for its maker and a licensed engineer to say. */
export const AEROPLANE: ViewsDrawing = {
  id: 'aeroplane',
  name: 'Two-seat aeroplane, high wing',
  aircraft: true,
  reference: { lengthMm: LENGTH_MM, heightMm: 2210, spanMm: SPAN_MM },
  usual: { lengthMm: 6200, heightMm: 2210, spanMm: 9800 },
  plausible: { lengthMm: [5000, 8500], heightMm: [1800, 3000], spanMm: [7500, 12_500] },
  rows: [
    [elevation('left'), tailplane('upper')],
    [
      wing('upper', [
        { ...paint, id: 'cabin-roof', name: 'Cabin roof', path: 'M4396 380 L4396 1464 L5404 1464 L5404 380 Z' },
      ]),
    ],
    [TOP, tailplane('lower')],
    [BELLY, STRUTS],
    [
      wing('lower', [
        {
          id: 'pitot',
          name: 'Pitot tube',
          substrate: 'sensor',
          curvature: 1,
          round: { at: [3000, 1100], radiusMm: 40 },
        },
      ]),
    ],
    [elevation('right')],
  ],
};
