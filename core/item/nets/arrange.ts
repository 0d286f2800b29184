import {
  type AreaSource,
  boundingBox,
  type Box,
  type Point,
  type Polygon,
  type Shape,
  shapeAreaM2,
  shapeOutline,
} from '#core/item/geometry';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { Linework, NetPanel } from './net';
import type { Sizes } from './sizes';
import { sizeFaults } from './template';
import { templateById } from './templates';

/** What the sheet needs to know of a surface. */
interface SheetSurface {
  readonly id: string;
  readonly name?: string | undefined;
  readonly shape: Shape;
  readonly count: number;
  readonly substrate?: SubstrateId | undefined;
  readonly measuredBy: AreaSource;
  readonly onSheet?: boolean | undefined;
}

/** An item's surfaces, and the template they were measured with where there is one. */
export interface SheetItem {
  readonly surfaces: readonly SheetSurface[];
  readonly item?: { readonly template?: ({ readonly id: string } & Sizes) | undefined } | undefined;
}

/** A surface in its place on the sheet. Millimetres, y downwards as the screen has it. */
export interface PlacedPanel {
  readonly id: string;
  readonly name: string;
  readonly outline: Polygon;
  /** Further copies lie behind it, each a step aside. */
  readonly copies: number;
  /** Lies in another panel, to be kept clear. */
  readonly overlaid?: true;
  /** Measured by tape and drawn apart: its lengths are written beside it. */
  readonly lengths?: { readonly across: string; readonly up: string };
  /** Longer than it is drawn: a long thin strip, with a break in its middle. */
  readonly folded?: true;
}

/** The sheet: every surface of a job in its place, true to scale. */
export interface Arrangement {
  readonly panels: readonly PlacedPanel[];
  readonly linework: readonly Linework[];
  readonly box: Box;
}

const COPY_STEP_MM = 70;
/** Paper between panels laid out in rows, mm: room for a length on each side. */
const ROW_GAP_MM = 330;

const flipped = ([x, y]: Point): Point => [x, -y];
const moved = (outline: Polygon, dx: number, dy: number): Polygon => outline.map(([x, y]): Point => [x + dx, y + dy]);

/** The unfolded template a job's item was measured with; undefined without one, or where its sizes do not fit. */
function itemNet({ item }: Pick<SheetItem, 'item'>) {
  const template = item?.template && templateById(item.template.id);
  if (!template || !item.template || sizeFaults(template, item.template).length > 0) return undefined;
  return template.unfold(item.template);
}

/** Places all surfaces: those of the net where the net has them, the others in rows below, in their order. */
export function arrange(document: SheetItem): Arrangement {
  const net = itemNet(document);
  const panels = new Map(net?.panels.map((panel) => [panel.id, panel]));
  const onNet = document.surfaces.flatMap((surface) => placedOnNet(surface, net !== undefined, panels.get(surface.id)));
  const placed = new Set(onNet.map(({ id }) => id));
  const apart = document.surfaces.filter(({ id }) => !placed.has(id));
  const linework = (net?.linework ?? []).map((line) => line.map(flipped));
  const netPoints = [...onNet.flatMap(({ outline }) => outline), ...linework.flat()];
  const netBox = netPoints.length > 0 ? boundingBox(netPoints) : undefined;
  const rows = inRows(apart, netBox);
  const all = [...onNet, ...rows];
  const points = [...netPoints, ...rows.flatMap(({ outline }) => outline)];
  return {
    panels: all,
    linework,
    box: points.length > 0 ? boundingBox(points) : { minX: 0, minY: 0, maxX: 1000, maxY: 700 },
  };
}

/** On the net: a panel of the template, or a piece cut from one, whose outline lies where the net has it. */
function placedOnNet(surface: SheetSurface, hasNet: boolean, panel: NetPanel | undefined): PlacedPanel[] {
  const { id, shape, measuredBy, count, onSheet } = surface;
  const hasPlace = onSheet === true || (hasNet && measuredBy === 'template');
  const own = hasPlace && shape.kind === 'polygon' ? shape.pointsMm : undefined;
  const outline = own ?? panel?.outlineMm;
  if (!outline) return [];
  const isOverlaid = surface.substrate !== undefined && SUBSTRATES[surface.substrate].keepClear === true;
  return [
    {
      id,
      name: surface.name ?? id,
      outline: outline.map(flipped),
      copies: count,
      ...(isOverlaid && { overlaid: true }),
    },
  ];
}

function inRows(surfaces: readonly SheetSurface[], above: Box | undefined): PlacedPanel[] {
  const drawn = surfaces.map((surface) => {
    const whole = shapeOutline(surface.shape).map(flipped);
    const outline = folded(whole);
    return { surface, outline: outline ?? whole, isFolded: outline !== undefined, whole: boundingBox(whole) };
  });
  const boxes = drawn.map(({ outline }) => boundingBox(outline));
  const whole = boxes.reduce((sum, box) => sum + (width(box) + ROW_GAP_MM) * (height(box) + ROW_GAP_MM), 0);
  const widest = Math.max(0, ...boxes.map((box) => width(box)));
  const rowWidth = above ? above.maxX - above.minX : Math.max(widest, Math.sqrt(whole * 1.55));
  const left = above?.minX ?? 0;
  let x = left;
  let y = above ? above.maxY + ROW_GAP_MM : 0;
  let rowHeight = 0;
  return drawn.map(({ surface, outline, isFolded, whole: own }, index): PlacedPanel => {
    const box = boxes[index]!;
    if (x > left && x + width(box) > left + rowWidth) {
      x = left;
      y += rowHeight + ROW_GAP_MM;
      rowHeight = 0;
    }
    const placed = moved(outline, x - box.minX, y - box.minY);
    const aside = (Math.min(surface.count, 4) - 1) * COPY_STEP_MM;
    x += width(box) + aside + ROW_GAP_MM;
    rowHeight = Math.max(rowHeight, height(box) + aside);
    return {
      id: surface.id,
      name: surface.name ?? surface.id,
      outline: placed,
      copies: surface.count,
      lengths: lengthsOf(surface, own),
      ...(isFolded && { folded: true }),
    };
  });
}

/** A strip this many times longer than wide is drawn folded, as long as this, mm. */
const STRIP_RATIO = 20;
const FOLDED_MM = 1100;
/** Thinner than this it would be a line nobody can touch, mm. */
const THINNEST_MM = 40;

/** A long thin outline drawn short; undefined where it need not be. */
function folded(outline: Polygon): Polygon | undefined {
  const { minX, minY, maxX, maxY } = boundingBox(outline);
  const [across, up] = [maxX - minX, maxY - minY];
  if (Math.max(across, up) <= FOLDED_MM || Math.max(across, up) < STRIP_RATIO * Math.min(across, up)) return undefined;
  const short = Math.max(THINNEST_MM, Math.min(across, up));
  const [w, h] = across >= up ? [FOLDED_MM, short] : [short, FOLDED_MM];
  return [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ];
}

const width = (box: Box) => box.maxX - box.minX;
const height = (box: Box) => box.maxY - box.minY;

function lengthsOf({ shape }: SheetSurface, box: Box): { across: string; up: string } {
  const mm = (value: number) => `${Math.round(value)}`;
  switch (shape.kind) {
    case 'area':
      return { across: `${shapeAreaM2(shape).toFixed(2)} m²`, up: '' };
    case 'ring':
      return { across: `ø ${mm(shape.outerMm)}`, up: `ø ${mm(shape.innerMm)}` };
    case 'cylinder':
      return { across: `π ø ${mm(shape.diameterMm)}`, up: mm(shape.lengthMm) };
    case 'offsets':
      return {
        across: `${shape.offsetsMm.length} stations at ${mm(shape.stationMm)}`,
        up: mm(Math.max(...shape.offsetsMm)),
      };
    default:
      return { across: mm(width(box)), up: mm(height(box)) };
  }
}
