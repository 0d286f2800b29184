/** Where the names on the net stand: inside their panel across or turned, in two lines, or led out by a line. Never cut. */
import { boundingBox, type Box, containsPoint, type Point } from '#core/item/geometry';
import { labelSpot, type PlacedPanel } from '#core/item/nets';

/** What a label has to say. */
export interface LabelWish {
  readonly panel: PlacedPanel;
  readonly name: string;
  /** The lens's own word, such as an area; empty: none. */
  readonly caption: string;
  /** Said even where nothing fits: the panel in hand. */
  readonly must: boolean;
}

export interface LabelLine {
  readonly text: string;
  readonly strong: boolean;
}

export interface PlacedLabel {
  readonly id: string;
  readonly lines: readonly LabelLine[];
  readonly at: Point;
  readonly turned: boolean;
  /** Pixels high. */
  readonly px: number;
  /** From the panel to the label, where it stands outside. */
  readonly leader?: readonly [Point, Point];
}

/** Letters, pixels; the smaller where the larger does not fit. */
const SIZES_PX = [11.5, 10] as const;
/** Width of a letter and of a line, in letter heights, with the narrow face of the net. */
const LETTER_WIDTH = 0.52;
const LINE_HEIGHT = 1.15;
/** A panel smaller than this on the screen, px², is not led out: there would be more lines than panels. */
const LEAST_LED_PX2 = 260;
/** An item drawn smaller than this is a map to find one's place on: what does not fit is told when it is chosen. */
const ROOMY_PX = 360;
/** How far a label is led at most, and in which steps, px. */
const FARTHEST_PX = 170;
const STEP_PX = 12;
const DIRECTIONS = 24;

/** Sides are told by their place on the net, so the name need not say them. */
const shortName = ({ name, lengths }: PlacedPanel) => (lengths ? name : name.replace(/, (left|right)$/, ''));

/** What is said on a panel, its copies counted. */
export const nameOnNet = (panel: PlacedPanel): string =>
  shortName(panel) + (panel.copies > 1 ? ` ×${panel.copies}` : '');

const widthPx = (text: string, px: number) => text.length * px * LETTER_WIDTH;

/** A name of several words on two lines, as even as can be; undefined for a single word. */
function inTwoLines(name: string): readonly [string, string] | undefined {
  const words = name.split(' ');
  const halves = words.slice(1).map((_, cut) => {
    return [words.slice(0, cut + 1).join(' '), words.slice(cut + 1).join(' ')] as const;
  });
  return halves.toSorted((a, b) => longer(a) - longer(b))[0];
}
const longer = ([a, b]: readonly [string, string]) => Math.max(a.length, b.length);

/** Ways to say a panel's name and caption, the best first. */
function waysOf({ name, caption }: LabelWish): LabelLine[][] {
  const line = (text: string, strong = false): LabelLine => ({ text, strong });
  const tail = caption === '' ? [] : [line(caption, true)];
  const two = inTwoLines(name);
  return [
    [line(name), ...tail],
    ...(two ? [[line(two[0]), line(two[1]), ...tail]] : []),
    ...(caption === '' ? [] : [[line(name)], ...(two ? [[line(two[0]), line(two[1])]] : [])]),
  ];
}

/** Where what lies in a panel was put last, by its outline: of many panels few say something else than before. */
const lastInside = new WeakMap<object, { readonly as: string; readonly label: PlacedLabel | undefined }>();

/** A label inside its panel; undefined where none fits whole. */
function inside(wish: LabelWish, unit: number): PlacedLabel | undefined {
  const { panel, name, caption } = wish;
  const as = JSON.stringify([panel.id, name, caption, unit]);
  const last = lastInside.get(panel.outline);
  if (last?.as === as) return last.label;
  const label = putInside(wish, unit);
  lastInside.set(panel.outline, { as, label });
  return label;
}

function putInside(wish: LabelWish, unit: number): PlacedLabel | undefined {
  const { panel } = wish;
  const box = boundingBox(panel.outline);
  const middle: Point = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const narrow = box.maxX - box.minX < 0.6 * (box.maxY - box.minY);
  for (const px of SIZES_PX) {
    for (const lines of waysOf(wish)) {
      const high = lines.length * px * LINE_HEIGHT * unit;
      const wide = Math.max(...lines.map(({ text }) => widthPx(text, px))) * unit;
      const spot = labelSpot(panel.outline, high);
      if (wide < spot.width && high < spot.height) return { id: panel.id, lines, at: spot.at, turned: false, px };
      // Along a tall narrow panel, where it is as wide as the lines are high.
      const upright: Point = [spot.at[0], middle[1]];
      if (narrow && wide < 0.8 * spot.height && high * 1.1 < spot.width && containsPoint(panel.outline, upright)) {
        return { id: panel.id, lines, at: upright, turned: true, px };
      }
    }
  }
  return undefined;
}

const overlap = (a: Box, b: Box) => a.minX < b.maxX && b.minX < a.maxX && a.minY < b.maxY && b.minY < a.maxY;

/** Paper that is free: beyond all panels and labels. */
function freePaper(panels: readonly PlacedPanel[], within: Box) {
  const shapes = panels.map(({ outline }) => ({ outline, box: boundingBox(outline) }));
  const labels: Box[] = [];
  const isFree = (box: Box) => {
    if (box.minX < within.minX || box.maxX > within.maxX || box.minY < within.minY || box.maxY > within.maxY)
      return false;
    if (labels.some((other) => overlap(box, other))) return false;
    const middle: Point = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
    return shapes.every(
      ({ outline, box: own }) =>
        !overlap(box, own) ||
        !(
          containsPoint(outline, middle) ||
          outline.some((from, index) => runsThrough(box, from, outline[(index + 1) % outline.length]!))
        ),
    );
  };
  return { isFree, take: (box: Box) => void labels.push(box) };
}

/** Whether a segment runs through a box, by cutting it at the four sides (Liang and Barsky). */
function runsThrough({ minX, minY, maxX, maxY }: Box, [x1, y1]: Point, [x2, y2]: Point): boolean {
  let [from, to] = [0, 1];
  for (const [step, room] of [
    [x1 - x2, x1 - minX],
    [x2 - x1, maxX - x1],
    [y1 - y2, y1 - minY],
    [y2 - y1, maxY - y1],
  ] as const) {
    if (step === 0 && room < 0) return false;
    if (step < 0) from = Math.max(from, room / step);
    if (step > 0) to = Math.min(to, room / step);
  }
  return from <= to;
}

/** A label beside its panel, joined to it by a line, on the nearest free paper away from the item's middle. */
function ledOut(
  wish: LabelWish,
  unit: number,
  paper: ReturnType<typeof freePaper>,
  heart: Point,
): PlacedLabel | undefined {
  const { panel, name } = wish;
  const px = SIZES_PX[1];
  const [halfW, halfH] = [(widthPx(name, px) / 2 + 3) * unit, ((px * LINE_HEIGHT) / 2 + 2) * unit];
  const from = labelSpot(panel.outline, px * unit).at;
  const out = Math.atan2(from[1] - heart[1], from[0] - heart[0]);
  const around = Array.from({ length: DIRECTIONS }, (_, nth) => (2 * Math.PI * nth) / DIRECTIONS);
  const places = Array.from({ length: FARTHEST_PX / STEP_PX }, (_, nth) => (nth + 2) * STEP_PX * unit).flatMap((far) =>
    around.map((angle) => ({ far, angle, cost: far * (1.35 - 0.35 * Math.cos(angle - out)) })),
  );
  for (const { far, angle } of places.toSorted((a, b) => a.cost - b.cost)) {
    const [x, y] = [from[0] + far * Math.cos(angle), from[1] + far * Math.sin(angle)];
    const box = { minX: x - halfW, maxX: x + halfW, minY: y - halfH, maxY: y + halfH };
    if (!paper.isFree(box)) continue;
    paper.take(box);
    const end: Point = [clamp(from[0], box.minX, box.maxX), clamp(from[1], box.minY, box.maxY)];
    return { id: panel.id, lines: [{ text: name, strong: false }], at: [x, y], turned: false, px, leader: [from, end] };
  }
  return undefined;
}

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** The one thing that still fits a panel whose name does not: its caption. */
function captionOnly({ panel, caption }: LabelWish, unit: number): PlacedLabel | undefined {
  if (caption === '') return undefined;
  const px = SIZES_PX[1];
  const spot = labelSpot(panel.outline, px * LINE_HEIGHT * unit);
  if (widthPx(caption, px) * unit > spot.width || px * LINE_HEIGHT * unit > spot.height) return undefined;
  return { id: panel.id, lines: [{ text: caption, strong: true }], at: spot.at, turned: false, px };
}

/**
 * Labels of all panels. A name stands whole or not at all; what does not fit its panel is led out, the larger first.
 * @param unit millimetres of the sheet per pixel
 * @param within the paper there is, mm of the sheet
 * @param lead whether what does not fit is led out; where one looks from two metres, lines are in the way
 */
export function placeLabels(wishes: readonly LabelWish[], unit: number, within: Box, lead = true): PlacedLabel[] {
  const fitting = wishes.map((wish) => inside(wish, unit));
  const panels = wishes.map(({ panel }) => panel);
  const paper = freePaper(panels, within);
  const whole = panels.length > 0 ? boundingBox(panels.flatMap(({ outline }) => outline)) : within;
  const heart: Point = [(whole.minX + whole.maxX) / 2, (whole.minY + whole.maxY) / 2];
  const isRoomy = lead && Math.max(whole.maxX - whole.minX, whole.maxY - whole.minY) / unit >= ROOMY_PX;
  const areaPx2 = ({ panel: { outline } }: LabelWish) => {
    const box = boundingBox(outline);
    return ((box.maxX - box.minX) * (box.maxY - box.minY)) / unit ** 2;
  };
  const left = wishes
    .filter((wish, index) => !fitting[index] && (wish.must || (isRoomy && areaPx2(wish) >= LEAST_LED_PX2)))
    .toSorted((a, b) => Number(b.must) - Number(a.must) || areaPx2(b) - areaPx2(a));
  const put = () =>
    left.flatMap((wish) => {
      const label = ledOut(wish, unit, paper, heart);
      const caption = captionOnly(wish, unit);
      return [...(label ? [label] : wish.must ? [forced(wish)] : []), ...(caption ? [caption] : [])];
    });
  const as = JSON.stringify([
    unit,
    within,
    left.map(({ panel: { id }, name, caption, must }) => [id, name, caption, must]),
  ]);
  return [...fitting.filter((label) => label !== undefined), ...asLastLed(panels, as, put)];
}

/** What was led out last: walking from panel to panel leads out the same names, over the same panels. */
let lastLed: { readonly panels: readonly PlacedPanel[]; readonly as: string; readonly led: PlacedLabel[] } | undefined;

function asLastLed(panels: readonly PlacedPanel[], as: string, put: () => PlacedLabel[]): PlacedLabel[] {
  const isAsLast =
    lastLed?.as === as &&
    lastLed.panels.length === panels.length &&
    lastLed.panels.every(({ outline }, nth) => outline === panels[nth]!.outline);
  if (!isAsLast) lastLed = { panels, as, led: put() };
  return lastLed!.led;
}

/** No paper is left at all: over its panel, since it is the one in hand. */
function forced({ panel, name }: LabelWish): PlacedLabel {
  const { minX, minY, maxX, maxY } = boundingBox(panel.outline);
  return {
    id: panel.id,
    lines: [{ text: name, strong: false }],
    at: [(minX + maxX) / 2, (minY + maxY) / 2],
    turned: false,
    px: SIZES_PX[1],
  };
}
