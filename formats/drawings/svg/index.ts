/** Outlines from SVG as vector programs write it: layers, groups, transforms, basic shapes, curves. */
import { XMLParser } from 'fast-xml-parser';
import svgpath from 'svgpath';
import { subPaths } from '#core/item/nets';
import {
  type Drawing,
  DRAWING_UNITS,
  DrawingError,
  type DrawingUnit,
  type DrawnLine,
  FLATTENING_MM,
  outlinesOf,
} from '../outlines';

type Attributes = Readonly<Record<string, string>>;
interface Element {
  readonly tag: string;
  readonly attributes: Attributes;
  readonly children: readonly Element[];
}

/** What is drawn nowhere by itself. */
const NOT_DRAWN = ['defs', 'clipPath', 'mask', 'symbol', 'pattern', 'marker', 'metadata', 'style', 'title', 'desc'];

/**
 * Reads closed outlines, mm. The unit is the drawing's own where its size says one; otherwise `unit`, or
 * millimetres.
 * @throws DrawingError for a text that is no SVG
 */
export function readOutlinesSvg(text: string, unit?: DrawingUnit): Drawing {
  const root = parsed(text);
  const own = ownScale(root.attributes);
  const used = unit ?? own?.unit ?? 'mm';
  const mmPerUnit = own && used === own.unit ? own.mmPerUnit : DRAWING_UNITS[used];
  const lines: DrawnLine[] = [];
  collect(root, { layer: '', transforms: [], mmPerUnit, lines });
  return { ...outlinesOf(lines), unit: used, unitSaid: own !== undefined };
}

function parsed(text: string): Element {
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '',
    preserveOrder: true,
    parseAttributeValue: false,
    processEntities: false,
    allowBooleanAttributes: true,
  });
  let nodes: unknown;
  try {
    nodes = parser.parse(text);
  } catch (error) {
    throw new DrawingError(`This is no SVG that can be read: ${(error as Error).message}`);
  }
  const root = elements(nodes).find(({ tag }) => tag === 'svg');
  if (!root) throw new DrawingError('This is no SVG: there is no <svg> in it.');
  return root;
}

function elements(nodes: unknown): Element[] {
  if (!Array.isArray(nodes)) return [];
  return (nodes as Record<string, unknown>[]).flatMap((node) => {
    const tag = Object.keys(node).find((key) => key !== ':@' && key !== '#text');
    if (!tag || tag.startsWith('?') || tag.startsWith('!')) return [];
    return [{ tag: tag.replace(/^svg:/, ''), attributes: written(node[':@']), children: elements(node[tag]) }];
  });
}

/** Attributes that have a value: one without is nothing that is drawn by. */
const written = (attributes: unknown): Attributes =>
  Object.fromEntries(
    Object.entries(attributes ?? {}).filter((entry): entry is [string, string] => typeof entry[1] === 'string'),
  );

const LENGTH = /^\s*(-?[\d.]+(?:e[-+]?\d+)?)\s*([a-z%]*)\s*$/i;

function measured(text: string | undefined): { value: number; unit: string } | undefined {
  const [, value, unit] = LENGTH.exec(text ?? '') ?? [];
  return value === undefined ? undefined : { value: Number(value), unit: (unit ?? '').toLowerCase() };
}

/** Millimetres per unit of the drawing, where its width names a real unit. */
function ownScale({ width, viewBox }: Attributes): { mmPerUnit: number; unit: DrawingUnit } | undefined {
  const size = measured(width);
  if (!size || !(size.unit in DRAWING_UNITS)) return undefined;
  const unit = size.unit as DrawingUnit;
  const box = (viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const wide = box.length === 4 && box[2]! > 0 ? box[2]! : undefined;
  return { unit, mmPerUnit: wide === undefined ? DRAWING_UNITS.px : (size.value * DRAWING_UNITS[unit]) / wide };
}

interface Reading {
  readonly layer: string;
  /** Innermost first. */
  readonly transforms: readonly string[];
  readonly mmPerUnit: number;
  readonly lines: DrawnLine[];
}

const isHidden = ({ display, visibility, style = '' }: Attributes) =>
  display === 'none' || visibility === 'hidden' || /display\s*:\s*none|visibility\s*:\s*hidden/.test(style);

function collect({ tag, attributes, children }: Element, reading: Reading): void {
  if (NOT_DRAWN.includes(tag) || isHidden(attributes)) return;
  const { transform, id } = attributes;
  const label = attributes['inkscape:label'];
  const isLayer = tag === 'g' && attributes['inkscape:groupmode'] === 'layer';
  const within: Reading = {
    ...reading,
    layer: isLayer || (tag === 'g' && reading.layer === '' && id) ? (label ?? id ?? '') : reading.layer,
    transforms: transform ? [transform, ...reading.transforms] : reading.transforms,
  };
  const notation = pathOf(tag, attributes);
  if (notation) {
    const name = label ?? id ?? tag;
    for (const { points, closed } of flattened(notation, within)) {
      if (points.length > 1) reading.lines.push({ name, layer: within.layer, points, closed });
    }
  }
  for (const child of children) collect(child, within);
}

function flattened(notation: string, { transforms, mmPerUnit }: Reading) {
  const drawn = svgpath(notation);
  // The package reports a bad path in a field its types do not declare.
  const fault = (drawn as unknown as { err: string }).err;
  if (fault) throw new DrawingError(`A path cannot be read: ${notation.slice(0, 60)}`);
  const placed = transforms.reduce((path, transform) => path.transform(transform), drawn.abs());
  // A drawing's y grows downwards.
  const upright = placed.scale(mmPerUnit, -mmPerUnit).toString();
  return subPaths(upright, FLATTENING_MM);
}

/** Basic shapes as paths; undefined for what draws no line. */
function pathOf(tag: string, attributes: Attributes): string | undefined {
  const n = (key: string) => {
    const size = measured(attributes[key]);
    if (!size) return 0;
    const px = size.unit in DRAWING_UNITS ? DRAWING_UNITS[size.unit as DrawingUnit] / DRAWING_UNITS.px : 1;
    return size.value * px;
  };
  switch (tag) {
    case 'path':
      return attributes.d;
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')];
      if (w <= 0 || h <= 0) return undefined;
      const rx = Math.min(n('rx') || n('ry'), w / 2);
      const ry = Math.min(n('ry') || n('rx'), h / 2);
      if (rx <= 0) return `M${x} ${y}h${w}v${h}h${-w}Z`;
      const arc = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${x + rx} ${y}h${w - 2 * rx}${arc(rx, ry)}v${h - 2 * ry}${arc(-rx, ry)}h${2 * rx - w}${arc(-rx, -ry)}v${2 * ry - h}${arc(rx, -ry)}Z`;
    }
    case 'circle':
    case 'ellipse': {
      const rx = tag === 'circle' ? n('r') : n('rx');
      const ry = tag === 'circle' ? rx : n('ry');
      if (rx <= 0 || ry <= 0) return undefined;
      return `M${n('cx') - rx} ${n('cy')}a${rx} ${ry} 0 0 1 ${2 * rx} 0a${rx} ${ry} 0 0 1 ${-2 * rx} 0Z`;
    }
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polygon':
    case 'polyline':
      return attributes.points?.trim() ? `M${attributes.points.trim()}${tag === 'polygon' ? 'Z' : ''}` : undefined;
    default:
      return undefined;
  }
}
