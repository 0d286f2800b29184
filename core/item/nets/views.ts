import type { Point } from '#core/item/geometry';
import type { Make } from '#core/item/make';
import type { SubstrateId } from '#core/item/substrates';
import type { GroupId } from './groups';
import type { Linework, Net, NetPanel, Zone } from './net';
import { pathPoints } from './path';
import type { Dimension, Sizes } from './sizes';
import { checkedSizes, type ItemTemplate } from './template';

/** A panel of a view, mm of the drawing, as a path or as a circle that stays round at any size. */
export interface DrawnPanel extends Make {
  readonly id: string;
  readonly name: string;
  readonly substrate: SubstrateId;
  readonly curvature: number;
  /** Where it differs from the zone of its view. */
  readonly zone?: Zone;
  readonly path?: string;
  readonly round?: Round;
  /**
   * On a plan, whose middle line is y = 0: `half` is drawn to the middle line and mirrored into one panel,
   * `pair` is drawn on the left and stands on the right as well.
   */
  readonly mirror?: 'half' | 'pair';
}

interface Round {
  readonly at: Point;
  readonly radiusMm: number;
}

/** A line that bounds no panel; on a plan it is mirrored. */
export type DrawnLine = string | Round;

/**
 * One view of the unfolded item. `left` and `right` are elevations, drawn once with z up and laid with their
 * tops towards the middle of the sheet; a `plan` has y growing to the left; `plain` stands as drawn.
 */
export interface View {
  readonly lies: 'left' | 'right' | 'plan' | 'plain';
  readonly zone: Zone;
  /** Which tape measurement stretches it along and across. */
  readonly along: Dimension;
  readonly across: Dimension;
  /** Its box at the drawing's size, mm: what it is given of the sheet. A plan reaches half of it to each side. */
  readonly boxMm: readonly [along: number, across: number];
  /** Beyond the front end of the row rather than in it: ends that fold down. */
  readonly ahead?: true;
  readonly panels: readonly DrawnPanel[];
  readonly lines: readonly DrawnLine[];
}

/** An item drawn in views, row below row from its left side to its right. */
export interface ViewsDrawing {
  readonly id: string;
  readonly name: string;
  /** The size it is drawn at. */
  readonly reference: Sizes;
  readonly usual: Sizes;
  readonly plausible: ItemTemplate['plausible'];
  readonly words?: NonNullable<ItemTemplate['words']>;
  readonly groups?: readonly GroupId[];
  readonly aircraft?: boolean;
  /** How many times as long as a flat everything on it takes. */
  readonly handling?: number;
  readonly rows: readonly (readonly View[])[];
}

/** Paper left between views, mm. */
const VIEW_GAP_MM = 130;
const CIRCLE_CORNERS = 48;

/** A view in its place on the sheet: both ways between its own measures and the net's. */
interface Placed {
  readonly view: View;
  readonly scale: Point;
  toNet(point: Point): Point;
  toDrawing(point: Point): Point;
  /** How far outside its box a point of the net lies, mm; nothing inside. */
  awayMm(point: Point): number;
}

/** A drawing in views as a template. */
export function viewsTemplate(drawing: ViewsDrawing): ItemTemplate {
  // Read once, since a template is stretched on every keystroke of a tape measurement.
  const outlines = new Map<string, readonly Point[]>();
  const pointsOf = (path: string) => {
    let points = outlines.get(path);
    if (!points) outlines.set(path, (points = pathPoints(path)));
    return points;
  };
  const template: ItemTemplate = {
    id: drawing.id,
    name: drawing.name,
    usual: drawing.usual,
    plausible: drawing.plausible,
    ...(drawing.words && { words: drawing.words }),
    groups: drawing.groups ?? [],
    aircraft: drawing.aircraft ?? false,
    unfold: (sizes) => {
      const placed = place(drawing, checkedSizes(template, sizes));
      const { handling } = drawing;
      const panels = placed.flatMap((one) =>
        one.view.panels.flatMap((panel) => netPanels(one, handling ? { handling, ...panel } : panel, pointsOf)),
      );
      const linework = placed.flatMap((one) => one.view.lines.flatMap((line) => netLines(one, line, pointsOf)));
      return { panels, linework } satisfies Net;
    },
    warp: (from, to) => {
      const before = place(drawing, checkedSizes(template, from));
      const after = place(drawing, checkedSizes(template, to));
      return (point) => {
        const away = before.map((one) => one.awayMm(point));
        const index = away.indexOf(Math.min(...away));
        return after[index]!.toNet(before[index]!.toDrawing(point));
      };
    },
  };
  return template;
}

function place({ rows, reference }: ViewsDrawing, sizes: Readonly<Record<Dimension, number>>): Placed[] {
  const scaleOf = ({ along, across }: View): Point => [
    sizes[along] / reference[along]!,
    sizes[across] / reference[across]!,
  ];
  const sized = rows.map((views) => views.map((view) => ({ view, scale: scaleOf(view) })));
  const heights = sized.map((row) => Math.max(...row.map(({ view, scale }) => view.boxMm[1] * scale[1])));
  const whole = heights.reduce((sum, height) => sum + height + VIEW_GAP_MM, -VIEW_GAP_MM);
  let top = whole / 2;
  return sized.flatMap((row, index) => {
    const height = heights[index]!;
    const rowTop = top;
    top -= height + VIEW_GAP_MM;
    let x = 0;
    let ahead = 0;
    return row.map(({ view, scale }) => {
      const width = view.boxMm[0] * scale[0];
      if (view.ahead) ahead -= width + VIEW_GAP_MM;
      const startX = view.ahead ? ahead : x;
      if (!view.ahead) x += width + VIEW_GAP_MM;
      return placed(view, scale, startX, rowTop, height);
    });
  });
}

function placed(view: View, scale: Point, startX: number, rowTop: number, rowHeight: number): Placed {
  const [width, height] = [view.boxMm[0] * scale[0], view.boxMm[1] * scale[1]];
  const middle = rowTop - rowHeight / 2;
  // An elevation keeps to the edge of its row that is nearer to the middle of the sheet.
  const origin = {
    left: rowTop - rowHeight + height,
    right: rowTop - height,
    plan: middle,
    plain: middle - height / 2,
  }[view.lies];
  const direction = view.lies === 'left' ? -1 : 1;
  const low = view.lies === 'left' ? origin - height : view.lies === 'plan' ? origin - height / 2 : origin;
  const outside = (value: number, from: number, to: number) => Math.max(from - value, 0, value - to);
  return {
    view,
    scale,
    toNet: ([x, y]) => [startX + x * scale[0], origin + direction * y * scale[1]],
    toDrawing: ([x, y]) => [(x - startX) / scale[0], (direction * (y - origin)) / scale[1]],
    awayMm: ([x, y]) => Math.hypot(outside(x, startX, startX + width), outside(y, low, low + height)),
  };
}

type PointsOf = (path: string) => readonly Point[];

const acrossMiddle = ([x, y]: Point): Point => [x, -y];

/** A circle about a point of the drawing, round on the net whatever the stretch: its radius follows the height. */
function circleOnNet({ toNet, scale }: Placed, { at, radiusMm }: Round): Point[] {
  const [cx, cy] = toNet(at);
  const radius = radiusMm * scale[1];
  return Array.from({ length: CIRCLE_CORNERS }, (_, corner): Point => {
    const angle = (2 * Math.PI * corner) / CIRCLE_CORNERS;
    return [cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)];
  });
}

function netPanels(place: Placed, panel: DrawnPanel, pointsOf: PointsOf): NetPanel[] {
  const { view } = place;
  const { id, name, path, round, mirror, ...drawn } = panel;
  const own = { ...drawn, zone: panel.zone ?? view.zone };
  if (round) return [{ ...own, ...sided(view, id, name), outlineMm: circleOnNet(place, round) }];
  const points = pointsOf(path!);
  const onNet = (outline: readonly Point[]) => outline.map((point) => place.toNet(point));
  if (mirror === 'half') {
    const other = points
      .filter(([, y]) => y !== 0)
      .map(acrossMiddle)
      .reverse();
    return [{ ...own, id, name, outlineMm: onNet([...points, ...other]) }];
  }
  if (mirror === 'pair') {
    return [
      { ...own, id: `${id}-left`, name: `${name}, left`, outlineMm: onNet(points) },
      { ...own, id: `${id}-right`, name: `${name}, right`, outlineMm: onNet(points.map(acrossMiddle)) },
    ];
  }
  return [{ ...own, ...sided(view, id, name), outlineMm: onNet(points) }];
}

function sided({ lies }: View, id: string, name: string): Pick<NetPanel, 'id' | 'name'> {
  return lies === 'left' || lies === 'right' ? { id: `${id}-${lies}`, name: `${name}, ${lies}` } : { id, name };
}

function netLines(place: Placed, line: DrawnLine, pointsOf: PointsOf): Linework[] {
  if (typeof line !== 'string') {
    const ring = circleOnNet(place, line);
    return [[...ring, ring[0]!]];
  }
  const points = pointsOf(line);
  const closed = /z\s*$/i.test(line) ? [...points, points[0]!] : points;
  const isPlan = place.view.lies === 'plan' && closed.some(([, y]) => y !== 0);
  return (isPlan ? [closed, closed.map(acrossMiddle)] : [closed]).map((one) => one.map((point) => place.toNet(point)));
}
