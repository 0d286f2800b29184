import { boundingBox, containsPoint, perimeterMm, type Point, type Polygon, type Shape } from '#core/item/geometry';
import type { Make } from '#core/item/make';
import type { SubstrateId } from '#core/item/substrates';
import type { Net, NetPanel, Zone } from './net';
import type { Sizes } from './sizes';

/** A surface that belongs to an item beside the panels of its outside. */
export interface GroupSurface extends Make {
  readonly id: string;
  readonly name: string;
  readonly substrate: SubstrateId;
  readonly shape: Shape;
  readonly count: number;
  readonly zone?: Zone;
}

/** Surfaces that are surveyed together or not at all. */
export interface SurfaceGroup {
  readonly name: string;
  /** Whether a new survey begins with it. */
  readonly usual: boolean;
  /** Worked out from the net at the item's own size, so that a longer door has a longer seal. */
  surfaces(net: Net, sizes: Sizes): GroupSurface[];
}

const FULL_CIRCLE = 2 * Math.PI;
const SENSOR_CORNERS = 16;

interface Spot {
  readonly key: string;
  readonly name: string;
  /** Place on the panel it sits in: shares of that panel's box, along and across the net. */
  readonly at: readonly [number, number];
  readonly diameterMm: number;
  /** A lens takes what its sheet allows; radar, sonar and what looks through a screen stay clear. Absent: they. */
  readonly lens?: true;
}

const parkingSensors = (u: number): Spot[] =>
  [0.12, 0.36, 0.64, 0.88].map((across, index) => ({
    key: `parking-${index + 1}`,
    name: `Parking sensor ${index + 1}`,
    at: [u, across],
    diameterMm: 32,
  }));

/** Where cameras and sensors look out of a road vehicle, by the panel they sit in. */
const SPOTS: Readonly<Record<string, readonly Spot[]>> = {
  'front-bumper': parkingSensors(0.45),
  'rear-bumper': parkingSensors(0.45),
  grille: [{ key: 'radar', name: 'Radar', at: [0.5, 0.5], diameterMm: 75 }],
  windscreen: [{ key: 'camera', name: 'Camera behind the screen', at: [0.86, 0.5], diameterMm: 130 }],
  tailgate: [{ key: 'camera', name: 'Rear camera', at: [0.7, 0.5], diameterMm: 28, lens: true }],
  'boot-lid': [{ key: 'camera', name: 'Rear camera', at: [0.8, 0.5], diameterMm: 28, lens: true }],
};

function circle([x, y]: Point, diameterMm: number): Polygon {
  return Array.from({ length: SENSOR_CORNERS }, (_, corner): Point => {
    const angle = (FULL_CIRCLE * corner) / SENSOR_CORNERS;
    return [x + (diameterMm / 2) * Math.cos(angle), y + (diameterMm / 2) * Math.sin(angle)];
  });
}

function spotsOn(panel: NetPanel): GroupSurface[] {
  const box = boundingBox(panel.outlineMm);
  return (SPOTS[panel.id] ?? []).flatMap(({ key, name, at: [along, across], diameterMm, lens }) => {
    const at: Point = [box.minX + along * (box.maxX - box.minX), box.minY + across * (box.maxY - box.minY)];
    if (!containsPoint(panel.outlineMm, at)) return [];
    const place = panel.zone === 'top' ? '' : `, ${panel.zone}`;
    return [
      {
        id: `${panel.id}-${key}`,
        name: `${name}${place}`,
        substrate: lens ? 'camera-lens' : 'sensor',
        shape: { kind: 'polygon', pointsMm: circle(at, diameterMm) },
        count: 1,
        zone: panel.zone,
      },
    ];
  });
}

/** A strip along the edge of some panels, mm wide; none where the net has no such panel. */
function edging(
  net: Net,
  { id, name, substrate, widthMm }: Pick<GroupSurface, 'id' | 'name' | 'substrate'> & { readonly widthMm: number },
  along: (panel: NetPanel) => boolean,
): GroupSurface[] {
  const lengthMm = net.panels.filter(along).reduce((sum, { outlineMm }) => sum + perimeterMm(outlineMm), 0);
  if (lengthMm === 0) return [];
  return [{ id, name, substrate, shape: { kind: 'rectangle', aMm: round(lengthMm), bMm: widthMm }, count: 1 }];
}

const round = (mm: number) => Math.round(mm);
const rectangle = (aMm: number, bMm: number): Shape => ({ kind: 'rectangle', aMm: round(aMm), bMm: round(bMm) });
const isDoor = ({ id }: NetPanel) => /door-(left|right)$/.test(id);
const isGlass = ({ substrate }: NetPanel) => substrate === 'glass' || substrate === 'windscreen';
const isLid = ({ id }: NetPanel) => ['tailgate', 'boot-lid', 'rear-doors', 'boot'].includes(id);

/** Wheel faces of a net with their diameter, mm. */
function wheels({ panels }: Net): number[] {
  return panels
    .filter(({ substrate, id }) => substrate === 'wheel' && /wheel/.test(id))
    .map(({ outlineMm }) => {
      const { minY, maxY } = boundingBox(outlineMm);
      return maxY - minY;
    });
}

const define = <T extends Record<string, SurfaceGroup>>(table: T) => table;

/** Every group by its id. Widths of edges and sizes of small parts are the trade's everyday ones. */
const TABLE = define({
  sensors: {
    name: 'Cameras and sensors',
    usual: true,
    surfaces: ({ panels }) => panels.flatMap(spotsOn),
  },
  'wheel-insides': {
    name: 'Wheel barrels and calipers',
    usual: true,
    surfaces: (net) => {
      const faces = wheels(net);
      if (faces.length === 0) return [];
      const diameterMm = round(faces.reduce((sum, face) => sum + face, 0) / faces.length);
      const count = faces.length;
      return [
        {
          id: 'wheel-barrel',
          name: 'Wheel barrel',
          substrate: 'wheel',
          piece: 'wheel-barrel',
          shape: { kind: 'cylinder', diameterMm, lengthMm: round(0.45 * diameterMm) },
          count,
        },
        {
          id: 'caliper',
          name: 'Brake caliper',
          substrate: 'caliper',
          shape: rectangle(0.6 * diameterMm, 0.26 * diameterMm),
          count,
        },
      ];
    },
  },
  plates: {
    name: 'Number plates',
    usual: true,
    surfaces: ({ panels }) => [
      {
        id: 'number-plate',
        name: 'Number plate',
        substrate: 'plate',
        shape: rectangle(520, 110),
        count: panels.some(({ id }) => id === 'front-bumper') ? 2 : 1,
      },
    ],
  },
  seals: {
    name: 'Seals of doors and windows',
    usual: true,
    surfaces: (net) => [
      ...edging(net, { id: 'door-seals', name: 'Door seals', substrate: 'rubber', widthMm: 24 }, isDoor),
      ...edging(net, { id: 'window-seals', name: 'Window seals', substrate: 'rubber', widthMm: 16 }, isGlass),
    ],
  },
  jambs: {
    name: 'Jambs of doors and lids',
    usual: false,
    surfaces: (net) => [
      ...edging(net, { id: 'door-jambs', name: 'Door jambs', substrate: 'clear-gloss', widthMm: 90 }, isDoor),
      ...edging(net, { id: 'lid-jambs', name: 'Jambs of the lid', substrate: 'clear-gloss', widthMm: 70 }, isLid),
    ],
  },
  'engine-edge': {
    name: 'Edge of the engine bay',
    usual: false,
    surfaces: (net) =>
      edging(
        net,
        { id: 'engine-edge', name: 'Edge of the engine bay', substrate: 'clear-gloss', widthMm: 80 },
        ({ id }) => id === 'bonnet',
      ),
  },
  luggage: {
    name: 'Luggage bay',
    usual: false,
    surfaces: (_, { lengthMm = 0, widthMm = 0 }) => [
      {
        id: 'luggage-floor',
        name: 'Luggage floor',
        substrate: 'fabric',
        shape: rectangle(0.58 * widthMm, 0.2 * lengthMm),
        count: 1,
      },
      {
        id: 'luggage-sill',
        name: 'Loading sill',
        substrate: 'interior-plastic',
        shape: rectangle(0.55 * widthMm, 120),
        count: 1,
      },
    ],
  },
  seats: {
    name: 'Seats and carpets',
    usual: false,
    surfaces: (net, { lengthMm = 0, widthMm = 0 }) => [
      { id: 'front-seat', name: 'Front seat', substrate: 'leather', shape: rectangle(560, 1250), count: 2 },
      ...(net.panels.some(({ id }) => /rear-door-(left|glass)/.test(id))
        ? [
            {
              id: 'rear-bench',
              name: 'Rear bench',
              substrate: 'leather' as const,
              shape: rectangle(0.72 * widthMm, 1200),
              count: 1,
            },
          ]
        : []),
      {
        id: 'carpets',
        name: 'Carpets',
        substrate: 'fabric',
        shape: rectangle(0.74 * widthMm, 0.36 * lengthMm),
        count: 1,
      },
    ],
  },
  dash: {
    name: 'Dash and consoles',
    usual: false,
    surfaces: (_, { widthMm = 0 }) => [
      { id: 'dash', name: 'Dash', substrate: 'interior-plastic', shape: rectangle(0.78 * widthMm, 620), count: 1 },
      { id: 'console', name: 'Console', substrate: 'interior-plastic', shape: rectangle(260, 1050), count: 1 },
    ],
  },
  exhaust: {
    name: 'Exhaust tips',
    usual: false,
    surfaces: () => [
      {
        id: 'exhaust-tip',
        name: 'Exhaust tip',
        substrate: 'chrome',
        piece: 'exhaust-tip',
        shape: { kind: 'cylinder', diameterMm: 85, lengthMm: 130 },
        count: 2,
      },
    ],
  },
});

export type GroupId = keyof typeof TABLE;
export const SURFACE_GROUPS: Readonly<Record<GroupId, SurfaceGroup>> = TABLE;

/** What every road vehicle with a cabin has. */
export const VEHICLE_GROUPS: readonly GroupId[] = [
  'wheel-insides',
  'plates',
  'seals',
  'jambs',
  'engine-edge',
  'luggage',
  'seats',
  'dash',
  'exhaust',
];
