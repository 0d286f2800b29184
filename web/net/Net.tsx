import {
  type KeyboardEvent,
  memo,
  type MouseEvent,
  type PointerEvent,
  type ReactNode,
  useCallback,
  useEffect,
  useId,
  useMemo,
  useRef,
} from 'react';
import { boundingBox, type Point, type Polygon } from '#core/item/geometry';
import { type Arrangement, labelSpot, type PlacedPanel } from '#core/item/nets';
import { useSize } from '../ui/useSize';
import { type Fill, FillPatterns, paintOf } from './fills';

/** What a lens makes of a panel. */
export interface PanelPaint {
  readonly fill: Fill;
  /** Said under its name. */
  readonly caption?: string | undefined;
  /** Parts of the panel filled on their own. */
  readonly parts?: readonly { readonly outline: Polygon; readonly fill: Fill }[] | undefined;
  /** Things seen on it, each in its place: shares of the panel's box, across and down. */
  readonly spots?: readonly PanelSpot[] | undefined;
  /** A sign in its middle, where colour alone would have to speak. */
  readonly sign?: keyof typeof SIGNS | undefined;
}

export interface PanelSpot {
  readonly key: string;
  readonly at: Place;
  readonly sign: string;
  readonly size: 'small' | 'medium' | 'large';
}

/** A place on a panel: shares of its box, across and down. */
export type Place = readonly [across: number, down: number];

export interface LegendEntry {
  readonly fill: Fill;
  readonly text: string;
}

/** Something done on the sheet itself rather than to a panel: drawing, scaling, moving corners. Millimetres of the sheet. */
export interface SheetTool {
  /** Under the panels. */
  readonly underlay?: ReactNode;
  /** Over the panels; `unit` is millimetres per pixel. */
  overlay(unit: number): ReactNode;
  /** Where the sheet was touched; without it, touches go to the panels. */
  readonly onPoint?: (point: Point, unit: number) => void;
  readonly onMove?: (point: Point, unit: number) => void;
  /** Where it was let go; without it, a touch is done when it begins. */
  readonly onLift?: (point: Point, unit: number) => void;
  /** True: the key was for the tool. */
  readonly onKey?: (event: KeyboardEvent, unit: number) => boolean;
}

interface Props {
  readonly arrangement: Arrangement;
  readonly tool?: SheetTool | undefined;
  readonly lens: (id: string) => PanelPaint;
  readonly legend: readonly LegendEntry[];
  /** What the lens shows, for those who cannot see it. */
  readonly label: string;
  readonly chosen: string | undefined;
  /** With the place that was touched; without one where it was chosen by key. */
  readonly onChoose: (id: string, at?: Place) => void;
  /** Enter or space on the chosen panel, for those who walk the net by key. */
  readonly onEnter?: ((id: string) => void) | undefined;
  /** No names and no legend: a map to find one's place on. */
  readonly plain?: boolean;
}

const NAME_PX = 11.5;
const MARGIN_PX = 30;
const SIGNS = { no: '✕', test: '◐', done: '✓', differs: '»' } as const;
const SIGN_WORDS = { no: 'refused', test: 'test spot', done: 'done', differs: 'differs' } as const;

/** The item, unfolded flat: the one map of a job. Arrow keys walk from panel to panel. */
export function Net({ arrangement, tool, lens, legend, label, chosen, onChoose, onEnter, plain = false }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const prefix = useId().replaceAll(':', '');
  const { panels, linework, box } = arrangement;
  const span = { x: box.maxX - box.minX, y: box.maxY - box.minY };
  const margin = plain ? 8 : MARGIN_PX;
  const unit = Math.max(
    span.x / Math.max(1, width - 2 * margin),
    span.y / Math.max(1, height - 2 * margin - (plain ? 0 : 14)),
    0.01,
  );
  const view = {
    w: Math.max(width, 1) * unit,
    h: Math.max(height, 1) * unit,
  };
  const x0 = box.minX - (view.w - span.x) / 2;
  const y0 = box.minY - (view.h - span.y - (plain ? 0 : 14 * unit)) / 2;

  // A key held down walks on from where the last press led, though that is not drawn yet.
  const walkedTo = useRef(chosen);
  const notDrawnYet = useRef<readonly string[]>([]);
  useEffect(() => {
    // A step of the walk that is drawn late is behind where the walk has come to by then.
    const step = notDrawnYet.current.lastIndexOf(chosen ?? '');
    notDrawnYet.current = step === -1 ? [] : notDrawnYet.current.slice(step + 1);
    if (notDrawnYet.current.length === 0) walkedTo.current = chosen;
  }, [chosen]);
  const onKeyDown = (event: KeyboardEvent) => {
    if (tool?.onKey?.(event, unit)) {
      event.preventDefault();
      return;
    }
    if (onEnter && chosen !== undefined && (event.key === 'Enter' || event.key === ' ')) {
      event.preventDefault();
      onEnter(chosen);
    }
    if (chosen === walkedTo.current) notDrawnYet.current = [];
    const next = panelTowards(event.key, panels, walkedTo.current);
    if (!next) return;
    event.preventDefault();
    walkedTo.current = next;
    notDrawnYet.current = [...notDrawnYet.current, next];
    onChoose(next);
  };
  const drawn = useMemo(() => inOrder(panels, chosen), [panels, chosen]);
  const paints = useMemo(() => new Map(panels.map(({ id }) => [id, lens(id)])), [panels, lens]);
  // One for all panels and for good, so that a panel is drawn anew only when something of it has changed.
  const latest = useRef(onChoose);
  useEffect(() => {
    latest.current = onChoose;
  }, [onChoose]);
  const choosePanel = useCallback((id: string, at?: Place) => {
    notDrawnYet.current = [];
    latest.current(id, at);
  }, []);
  return (
    <div className="relative flex h-full min-h-0 flex-col">
      <div ref={frame} className="relative min-h-0 flex-1 overflow-hidden">
        {width > 0 && (
          <svg
            width={width}
            height={height}
            viewBox={`${x0} ${y0} ${view.w} ${view.h}`}
            role="listbox"
            aria-label={label}
            aria-activedescendant={chosen && `${prefix}-p-${chosen}`}
            tabIndex={0}
            onKeyDown={onKeyDown}
            className="absolute inset-0 block select-none outline-offset-[-3px] focus:not-focus-visible:outline-none"
          >
            <FillPatterns prefix={prefix} unit={unit} />
            {tool?.underlay}
            {drawn.map((panel) => (
              <Panel
                key={panel.id}
                panel={panel}
                paint={paints.get(panel.id)!}
                prefix={prefix}
                unit={unit}
                plain={plain}
                isChosen={panel.id === chosen}
                onChoose={choosePanel}
              />
            ))}
            <Lines linework={linework} />
            {tool?.onPoint && (
              <rect
                x={x0}
                y={y0}
                width={view.w}
                height={view.h}
                fill="transparent"
                className="cursor-crosshair touch-none"
                data-sheet
                onPointerDown={(event) => {
                  // What is drawn goes on beyond the sheet's edge.
                  if (tool.onLift) event.currentTarget.setPointerCapture(event.pointerId);
                  tool.onPoint?.(sheetPoint(event), unit);
                }}
                onPointerMove={(event) => tool.onMove?.(sheetPoint(event), unit)}
                onPointerUp={(event) => tool.onLift?.(sheetPoint(event), unit)}
              />
            )}
            {tool?.overlay(unit)}
            {!plain && <ScaleBar x={x0 + 14 * unit} y={y0 + view.h - 12 * unit} unit={unit} />}
          </svg>
        )}
      </div>
      {!plain && (
        <ul className="flex flex-wrap gap-x-4 gap-y-1 border-t px-3 py-1.5 text-[13px] text-ink-2">
          {legend.map(({ fill, text }) => (
            <li key={text} className="flex items-center gap-1.5">
              <svg width={20} height={13} aria-hidden>
                <FillPatterns prefix={`${prefix}-${fill}-key`} unit={1} />
                <rect
                  x={0.5}
                  y={0.5}
                  width={19}
                  height={12}
                  fill={paintOf(fill, `${prefix}-${fill}-key`)}
                  stroke="var(--line-strong)"
                />
              </svg>
              {text}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

const pathOf = (outline: Polygon) => `M${outline.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;

interface PanelProps {
  readonly panel: PlacedPanel;
  readonly paint: PanelPaint;
  readonly prefix: string;
  readonly unit: number;
  readonly plain: boolean;
  readonly isChosen: boolean;
  readonly onChoose: (id: string, at?: Place) => void;
}

const Panel = memo(function Panel({ panel, paint, prefix, unit, plain, isChosen, onChoose }: PanelProps) {
  const { id, name, outline, copies, lengths } = panel;
  const path = useMemo(() => pathOf(outline), [outline]);
  const behind = Math.min(copies, 4) - 1;
  return (
    <g
      role="option"
      id={`${prefix}-p-${id}`}
      aria-selected={isChosen}
      aria-label={[
        name,
        copies > 1 ? `${copies} times` : '',
        paint.caption ?? '',
        paint.sign ? SIGN_WORDS[paint.sign] : '',
      ]
        .filter(Boolean)
        .join(', ')}
      data-panel={id}
      onClick={(event) => onChoose(id, placeOf(event, outline))}
      className="group cursor-pointer"
    >
      {Array.from({ length: behind }, (_, index) => (
        <path
          key={index}
          d={path}
          transform={`translate(${(behind - index) * 70} ${(behind - index) * 70})`}
          fill="var(--sheet)"
          stroke="var(--line-strong)"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <path d={path} fill={paintOf(paint.fill, prefix)} />
      {paint.parts?.map((part, index) => (
        <path
          key={index}
          d={pathOf(part.outline)}
          fill={paintOf(part.fill, prefix)}
          stroke="var(--ink-3)"
          strokeWidth={0.8}
          strokeDasharray="3 3"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <path
        d={path}
        fill={isChosen ? 'var(--over)' : 'transparent'}
        fillOpacity={isChosen ? 0.14 : 1}
        stroke={isChosen ? 'var(--over)' : 'var(--ink)'}
        strokeWidth={isChosen ? 3 : 1.1}
        strokeLinejoin="round"
        vectorEffect="non-scaling-stroke"
        className={isChosen ? '' : 'group-hover:stroke-over group-hover:[stroke-width:2]'}
      />
      {!plain && !paint.spots?.length && <PanelText panel={panel} paint={paint} unit={unit} isChosen={isChosen} />}
      {paint.spots?.map((spot) => (
        <Spot key={spot.key} spot={spot} outline={outline} unit={unit} />
      ))}
      {!plain && lengths && <Lengths outline={outline} lengths={lengths} unit={unit} />}
    </g>
  );
}, isDrawnAlike);

/** A lens paints anew after every edit; a panel that looks as before, where it was, is not drawn again. */
function isDrawnAlike({ panel: p, paint: a, ...before }: PanelProps, { panel: q, paint: b, ...after }: PanelProps) {
  const samePanel =
    p === q ||
    (p.id === q.id &&
      p.name === q.name &&
      p.copies === q.copies &&
      p.lengths?.across === q.lengths?.across &&
      p.lengths?.up === q.lengths?.up &&
      p.outline.length === q.outline.length &&
      p.outline.every(([x, y], index) => x === q.outline[index]![0] && y === q.outline[index]![1]));
  const samePaint =
    a.fill === b.fill && a.caption === b.caption && a.sign === b.sign && a.parts === b.parts && a.spots === b.spots;
  return (
    samePanel &&
    samePaint &&
    before.prefix === after.prefix &&
    before.unit === after.unit &&
    before.plain === after.plain &&
    before.isChosen === after.isChosen
  );
}

/** The chosen panel over its neighbours, what is kept clear over the panel it lies in. */
function inOrder(panels: readonly PlacedPanel[], chosen: string | undefined): PlacedPanel[] {
  const rank = ({ id, overlaid }: PlacedPanel) => (overlaid ? 2 : 0) + (id === chosen ? 1 : 0);
  return panels.toSorted((a, b) => rank(a) - rank(b));
}

/** The place on the sheet, mm, where a pointer is. */
export function sheetPoint(event: PointerEvent<SVGElement>): Point {
  const svg = event.currentTarget.ownerSVGElement ?? (event.currentTarget as SVGSVGElement);
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
  return [x, y];
}

/** Where on a panel a pointer was, as shares of its box. */
function placeOf(event: MouseEvent<SVGGElement>, outline: Polygon): Place | undefined {
  const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
  if (!matrix) return undefined;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
  const box = boundingBox(outline);
  const share = (value: number, low: number, high: number) => Math.min(1, Math.max(0, (value - low) / (high - low)));
  return [share(x, box.minX, box.maxX), share(y, box.minY, box.maxY)];
}

const SPOT_PX = { small: 7.5, medium: 9, large: 11 } as const;

/** Something seen, printed over the sheet in its place. */
function Spot({ spot, outline, unit }: { readonly spot: PanelSpot; readonly outline: Polygon; readonly unit: number }) {
  const box = boundingBox(outline);
  const x = box.minX + spot.at[0] * (box.maxX - box.minX);
  const y = box.minY + spot.at[1] * (box.maxY - box.minY);
  const radius = SPOT_PX[spot.size] * unit;
  return (
    <g pointerEvents="none" aria-hidden>
      <circle
        cx={x}
        cy={y}
        r={radius}
        fill="var(--sheet)"
        stroke="var(--over)"
        strokeWidth={1.6}
        vectorEffect="non-scaling-stroke"
      />
      <text
        x={x}
        y={y}
        fontSize={radius * 1.15}
        fontWeight={650}
        textAnchor="middle"
        dominantBaseline="central"
        fill="var(--over)"
      >
        {spot.sign}
      </text>
    </g>
  );
}

/** On the net, sides are told by their place, so the name need not say them. */
const shortName = ({ name, lengths }: PlacedPanel) => (lengths ? name : name.replace(/, (left|right)$/, ''));

function PanelText({ panel, paint, unit, isChosen }: Pick<PanelProps, 'panel' | 'paint' | 'unit' | 'isChosen'>) {
  const { outline, copies } = panel;
  const spot = useMemo(() => labelSpot(outline, 2.2 * NAME_PX * unit), [outline, unit]);
  const line = 1.3 * NAME_PX * unit;
  const room = (text: string) => text.length * NAME_PX * 0.52 * unit;
  const across = (text: string) => room(text) < spot.width && spot.height > line;
  const up = (text: string) => room(text) < spot.height * 0.8 && spot.width > line;
  const name = cutToFit(shortName(panel), spot.width / (NAME_PX * 0.52 * unit)) + (copies > 1 ? ` ×${copies}` : '');
  const sign = paint.sign && SIGNS[paint.sign];
  const caption = paint.caption ?? '';
  const first = sign ? `${sign} ${name}` : name;
  const wanted = [first, caption].filter((text) => text !== '');
  // Across where it fits; along a tall narrow panel; else the one thing that still fits.
  const box = useMemo(() => boundingBox(outline), [outline]);
  const narrow = box.maxX - box.minX < 0.6 * (box.maxY - box.minY);
  const upright = narrow && !wanted.every(across) && wanted.every(up) && spot.width > wanted.length * line;
  const fitting = wanted.filter((text) => across(text) || isChosen);
  const least = [caption, sign ?? ''].find((text) => text !== '' && across(text));
  const shown = upright ? wanted : fitting.length > 0 ? fitting : least === undefined ? [] : [least];
  const [x, y] = spot.at;
  const step = NAME_PX * 1.15 * unit;
  const middle = upright ? (box.minY + box.maxY) / 2 : y;
  return (
    <text
      transform={`translate(${x} ${middle}) rotate(${upright ? -90 : 0})`}
      y={-((shown.length - 1) * step) / 2}
      textAnchor="middle"
      dominantBaseline="central"
      fontSize={NAME_PX * unit}
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth={3.2 * unit}
      strokeLinejoin="round"
      paintOrder="stroke"
      style={{ fontStretch: '88%' }}
      pointerEvents="none"
      aria-hidden
    >
      {shown.map((text, index) => (
        <tspan key={text} x={0} dy={index === 0 ? 0 : step} fontWeight={text === caption ? 650 : 450}>
          {text}
        </tspan>
      ))}
    </text>
  );
}

/** Less than this share of a name says nothing. */
const LEAST_SHOWN = 0.6;

/** A long name cut off where that still tells something. */
function cutToFit(name: string, letters: number): string {
  const room = Math.floor(letters) - 1;
  return name.length <= letters || room < LEAST_SHOWN * name.length ? name : `${name.slice(0, room).trimEnd()}…`;
}

/** Lengths as a draughtsman writes them: outside the panel, along the side they measure. */
function Lengths({
  outline,
  lengths,
  unit,
}: {
  outline: Polygon;
  lengths: { across: string; up: string };
  unit: number;
}) {
  const xs = outline.map(([x]) => x);
  const ys = outline.map(([, y]) => y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const size = 10.5 * unit;
  const off = 9 * unit;
  const tick = 3 * unit;
  const stroke = {
    stroke: 'var(--ink-3)',
    strokeWidth: 0.8,
    vectorEffect: 'non-scaling-stroke' as const,
    fill: 'none',
  };
  const text = {
    fontSize: size,
    fill: 'var(--ink-2)',
    textAnchor: 'middle' as const,
    stroke: 'var(--sheet)',
    strokeWidth: 3 * unit,
    paintOrder: 'stroke',
  };
  const middleY = (top + bottom) / 2;
  return (
    <g pointerEvents="none" aria-hidden>
      <path
        d={`M${left} ${top - off}H${right}M${left} ${top - off - tick}v${2 * tick}M${right} ${top - off - tick}v${2 * tick}`}
        {...stroke}
      />
      <text x={(left + right) / 2} y={top - off} dominantBaseline="central" {...text}>
        {lengths.across}
      </text>
      {lengths.up !== '' && (
        <>
          <path
            d={`M${left - off} ${top}V${bottom}M${left - off - tick} ${top}h${2 * tick}M${left - off - tick} ${bottom}h${2 * tick}`}
            {...stroke}
          />
          <text transform={`translate(${left - off} ${middleY}) rotate(-90)`} dominantBaseline="central" {...text}>
            {lengths.up}
          </text>
        </>
      )}
    </g>
  );
}

const Lines = memo(function Lines({ linework }: { readonly linework: Arrangement['linework'] }) {
  const path = linework.map((line) => `M${line.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`).join('');
  return (
    <path
      d={path}
      fill="none"
      stroke="var(--ink-3)"
      strokeWidth={0.8}
      strokeLinejoin="round"
      vectorEffect="non-scaling-stroke"
      pointerEvents="none"
    />
  );
});

/** A length one can compare with: one metre, or half of one on a small item. */
function ScaleBar({ x, y, unit }: { readonly x: number; readonly y: number; readonly unit: number }) {
  const lengthMm = 1000 / unit > 50 ? 1000 : 5000;
  const quarter = lengthMm / 4;
  const high = 4 * unit;
  return (
    <g aria-hidden pointerEvents="none">
      {[0, 1, 2, 3].map((part) => (
        <rect
          key={part}
          x={x + part * quarter}
          y={y - high}
          width={quarter}
          height={high}
          fill={part % 2 === 0 ? 'var(--ink-2)' : 'var(--sheet)'}
          stroke="var(--ink-2)"
          strokeWidth={0.8}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <text x={x + lengthMm + 6 * unit} y={y} fontSize={11 * unit} fill="var(--ink-2)">
        {lengthMm / 1000} m
      </text>
    </g>
  );
}

const TOWARDS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The panel an arrow key leads to: the nearest in that direction, sideways distance counting double. */
function panelTowards(key: string, panels: readonly PlacedPanel[], chosen: string | undefined): string | undefined {
  const direction = TOWARDS[key];
  if (key === 'Home' || (direction && !panels.some(({ id }) => id === chosen))) return panels[0]?.id;
  if (key === 'End') return panels.at(-1)?.id;
  if (!direction) return undefined;
  const middle = ({ outline }: PlacedPanel) => {
    const xs = outline.map(([x]) => x);
    const ys = outline.map(([, y]) => y);
    return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2] as const;
  };
  const [fromX, fromY] = middle(panels.find(({ id }) => id === chosen)!);
  const [dx, dy] = direction;
  const reachable = panels.flatMap((panel) => {
    const [x, y] = middle(panel);
    const along = (x - fromX) * dx + (y - fromY) * dy;
    const aside = Math.abs((x - fromX) * dy) + Math.abs((y - fromY) * dx);
    return along > 1 ? [{ id: panel.id, far: along + 2 * aside }] : [];
  });
  return reachable.sort((a, b) => a.far - b.far)[0]?.id;
}
