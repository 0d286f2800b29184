import { boundingBox, type Polygon } from '#core/item/geometry';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';

/** Ways round an item, and what each is for. */
export const WORK_ORDERS = {
  'top-down': {
    name: 'Top down',
    says: 'Roof and bonnet first, then each side from its upper edge down: nothing drips on what is done.',
  },
  clockwise: {
    name: 'Clockwise round',
    says: 'Top first, then once round from the nose: nobody walks back past a wet side.',
  },
  'roof-last': {
    name: 'Roof last, on the lift',
    says: 'Once round while it stands high, the top when it has come down.',
  },
} as const;
export type WorkOrder = keyof typeof WORK_ORDERS;

export interface OrderedPanel {
  readonly id: string;
  readonly zone?: string | undefined;
  readonly substrate: SubstrateId;
  /** On the sheet, mm, nose to the left, y downwards; absent for what lies beside it. */
  readonly outline?: Polygon | undefined;
}

const isGlass = (substrate: SubstrateId) => SUBSTRATES[substrate].glass === true || substrate === 'acrylic-window';
/** What lies within so much of a round about the nose is the nose. */
const NOSE = 0.06;
const middle = (low: number, high: number) => (low + high) / 2;

/** Panels of an item in the order of a school; glass last where the shop lays it so. What lies beside the sheet comes last, as it stood. */
export function inWorkOrder(panels: readonly OrderedPanel[], school: WorkOrder, glassLast: boolean): string[] {
  const placed = panels.filter(({ outline }) => outline);
  const boxes = new Map(placed.map(({ id, outline }) => [id, boundingBox(outline!)]));
  const all = boundingBox(placed.flatMap(({ outline }) => [...outline!]).concat(placed.length === 0 ? [[0, 0]] : []));
  const centre = { x: middle(all.minX, all.maxX), y: middle(all.minY, all.maxY) };
  const at = (id: string) => {
    const box = boxes.get(id)!;
    return { x: middle(box.minX, box.maxX) - centre.x, y: middle(box.minY, box.maxY) - centre.y };
  };
  /** Clockwise from the nose, 0 to 1, as one walks with the item on the right. */
  const round = (id: string) => {
    const { x, y } = at(id);
    // The nose lies a little to both sides of its own line.
    return (Math.atan2(-y, -x) / (2 * Math.PI) + 1 + NOSE / 2) % 1;
  };
  const zoneRank = (zone: string | undefined) => (zone === 'top' ? 0 : zone === 'under' ? 2 : 1);
  const keys = ({ id, zone, substrate }: OrderedPanel): number[] => {
    const glass = glassLast && isGlass(substrate) ? 1 : 0;
    if (!boxes.has(id)) return [glass, 9, 0, 0];
    switch (school) {
      case 'top-down':
        // The sheet unfolds from the roof outwards: further from its middle line is lower.
        return [glass, zoneRank(zone), zone === 'left' ? 0 : zone === 'right' ? 1 : 2, Math.abs(at(id).y)];
      case 'clockwise':
        return [glass, zoneRank(zone), round(id), 0];
      case 'roof-last':
        return [glass, zone === 'top' ? 3 : zoneRank(zone), round(id), 0];
    }
  };
  return panels
    .map((panel, index) => ({ id: panel.id, keys: [...keys(panel), index] }))
    .sort((a, b) => {
      const apart = a.keys.findIndex((key, index) => key !== b.keys[index]);
      return apart === -1 ? 0 : a.keys[apart]! - b.keys[apart]!;
    })
    .map(({ id }) => id);
}
