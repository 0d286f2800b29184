import type { View, ViewsDrawing } from './views';

const TOP: Pick<View, 'lies' | 'along' | 'across'> = { lies: 'plan', along: 'lengthMm', across: 'widthMm' };

/** A long edge unfolded beside the face, a short one beyond its end. */
const longEdge = (lies: 'left' | 'right', id: string, lengthMm: number, thickMm: number): View => ({
  lies,
  zone: lies,
  along: 'lengthMm',
  across: 'heightMm',
  boxMm: [lengthMm, thickMm],
  panels: [
    {
      id,
      name: 'Long edge',
      substrate: 'wood',
      curvature: 1.1,
      path: `M0 0 L${lengthMm} 0 L${lengthMm} ${thickMm} L0 ${thickMm} Z`,
    },
  ],
  lines: [],
});

const shortEdge = (
  id: string,
  name: string,
  zone: 'front' | 'rear',
  across: readonly [number, number],
  ahead?: true,
): View => ({
  lies: 'plan',
  zone,
  along: 'heightMm',
  across: 'widthMm',
  boxMm: across,
  ...(ahead && { ahead }),
  panels: [
    {
      id,
      name,
      substrate: 'wood',
      curvature: 1.1,
      mirror: 'half',
      path: `M0 0 L0 ${across[1] / 2} L${across[0]} ${across[1] / 2} L${across[0]} 0 Z`,
    },
  ],
  lines: [],
});

/** A table: top with its edges unfolded round it, underside, apron and legs. */
export const TABLE: ViewsDrawing = {
  id: 'table',
  name: 'Table, four legs',
  reference: { lengthMm: 2000, widthMm: 1000, heightMm: 750 },
  usual: { lengthMm: 1800, widthMm: 900, heightMm: 750 },
  plausible: { lengthMm: [500, 6000], widthMm: [350, 2500], heightMm: [350, 1200] },
  words: { widthMm: 'width' },
  rows: [
    [longEdge('left', 'edge', 2000, 40)],
    [
      shortEdge('edge-front', 'Short edge, near', 'front', [40, 1000], true),
      {
        ...TOP,
        zone: 'top',
        boxMm: [2000, 1000],
        panels: [
          {
            id: 'table-top',
            name: 'Table top',
            substrate: 'wood',
            curvature: 1,
            mirror: 'half',
            path: 'M0 0 L0 470 C0 490 10 500 30 500 L1970 500 C1990 500 2000 490 2000 470 L2000 0 Z',
          },
        ],
        lines: ['M20 125 L1980 125', 'M20 375 L1980 375', 'M20 250 L1980 250', 'M20 0 L1980 0'],
      },
      shortEdge('edge-rear', 'Short edge, far', 'rear', [40, 1000]),
    ],
    [longEdge('right', 'edge', 2000, 40)],
    [
      {
        ...TOP,
        zone: 'under',
        boxMm: [2000, 1000],
        panels: [
          {
            id: 'underside',
            name: 'Underside',
            substrate: 'wood',
            curvature: 1,
            mirror: 'half',
            path: 'M0 0 L0 470 C0 490 10 500 30 500 L1970 500 C1990 500 2000 490 2000 470 L2000 0 Z',
          },
        ],
        lines: ['M120 0 L120 380 L1880 380 L1880 0', 'M150 0 L150 350 L1850 350 L1850 0'],
      },
    ],
    [
      {
        lies: 'plain',
        zone: 'left',
        along: 'lengthMm',
        across: 'heightMm',
        boxMm: [2000, 750],
        panels: [
          {
            id: 'leg-1',
            name: 'Leg 1, four faces',
            substrate: 'wood',
            curvature: 4,
            path: 'M60 0 L50 700 L130 700 L120 0 Z',
          },
          {
            id: 'leg-2',
            name: 'Leg 2, four faces',
            substrate: 'wood',
            curvature: 4,
            path: 'M660 0 L650 700 L730 700 L720 0 Z',
          },
          {
            id: 'leg-3',
            name: 'Leg 3, four faces',
            substrate: 'wood',
            curvature: 4,
            path: 'M1260 0 L1250 700 L1330 700 L1320 0 Z',
          },
          {
            id: 'leg-4',
            name: 'Leg 4, four faces',
            substrate: 'wood',
            curvature: 4,
            path: 'M1880 0 L1870 700 L1950 700 L1940 0 Z',
          },
          {
            id: 'apron-long',
            name: 'Apron, long, two',
            substrate: 'wood',
            curvature: 2,
            path: 'M150 600 L150 700 L630 700 L630 600 Z',
          },
          {
            id: 'apron-short',
            name: 'Apron, short, two',
            substrate: 'wood',
            curvature: 2,
            path: 'M750 600 L750 700 L1230 700 L1230 600 Z',
          },
        ],
        lines: ['M0 0 L2000 0'],
      },
    ],
  ],
};

/** A door leaf or a panel: both faces, and its four edges unfolded round the first. */
export const FLAT_PANEL: ViewsDrawing = {
  id: 'flat-panel',
  name: 'Door or flat panel, both faces',
  reference: { lengthMm: 2000, widthMm: 850, heightMm: 45 },
  usual: { lengthMm: 2000, widthMm: 850, heightMm: 45 },
  plausible: { lengthMm: [200, 6000], widthMm: [100, 3000], heightMm: [2, 200] },
  words: { widthMm: 'width', heightMm: 'thickness' },
  rows: [
    [longEdge('left', 'edge', 2000, 45)],
    [
      shortEdge('edge-foot', 'Short edge, foot', 'front', [45, 850], true),
      {
        ...TOP,
        zone: 'top',
        boxMm: [2000, 850],
        panels: [
          {
            id: 'face',
            name: 'Face',
            substrate: 'wood',
            curvature: 1,
            mirror: 'half',
            path: 'M0 0 L0 425 L2000 425 L2000 0 Z',
          },
        ],
        lines: ['M140 320 L900 320 L900 60 L140 60 Z', 'M1000 320 L1860 320 L1860 60 L1000 60 Z'],
      },
      shortEdge('edge-head', 'Short edge, head', 'rear', [45, 850]),
    ],
    [longEdge('right', 'edge', 2000, 45)],
    [
      {
        ...TOP,
        zone: 'under',
        boxMm: [2000, 850],
        panels: [
          {
            id: 'back',
            name: 'Back',
            substrate: 'wood',
            curvature: 1,
            mirror: 'half',
            path: 'M0 0 L0 425 L2000 425 L2000 0 Z',
          },
        ],
        lines: ['M140 320 L900 320 L900 60 L140 60 Z', 'M1000 320 L1860 320 L1860 60 L1000 60 Z'],
      },
    ],
  ],
};
