import type { Point, Polygon } from '#core/item/geometry';
import type { Make } from '#core/item/make';
import type { SubstrateId } from '#core/item/substrates';

/** Where on the item a panel sits, and so in which order it can be reached. */
export type Zone = 'front' | 'top' | 'left' | 'right' | 'rear' | 'under';

/** One panel of an unfolded item, in net millimetres (x from nose to tail, y across, growing to the left side). */
export interface NetPanel extends Make {
  readonly id: string;
  readonly name: string;
  readonly substrate: SubstrateId;
  readonly zone: Zone;
  readonly outlineMm: Polygon;
  /** Developed area over flat area: doubly curved panels hold more than their outline; open wheels less. */
  readonly curvature: number;
}

/** A line of the drawing that bounds no panel: handles, tyres, creases. */
export type Linework = readonly Point[];

/** An item unfolded flat: the one geometry behind the map, the areas, the sections and the film. */
export interface Net {
  readonly panels: readonly NetPanel[];
  readonly linework: readonly Linework[];
}
