import { type KeyboardEvent, memo, useCallback, useEffect, useId, useMemo, useRef } from 'react';
import type { Arrangement, PlacedPanel } from '#core/item/nets';
import { useSize } from '../ui/useSize';
import { Labels } from './Labels';
import { Panel } from './Panel';
import { FillPatterns, paintOf } from './fills';
import type { LegendEntry, PanelPaint, Place } from './paint';
import { Lines, ScaleBar } from './sheet-lines';
import { sheetPoint, type SheetTool } from './sheet-tool';
import { panelTowards } from './walk';

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
  /** Names that do not fit their panel stand beside it, joined by a line; false where one looks from afar. */
  readonly lead?: boolean;
  /** False: something else stands on the panels. */
  readonly names?: boolean;
}

const MARGIN_PX = 30;
/** Kept free along the foot of the sheet. */
const SCALE_BAR_PX = 24;

/** The item, unfolded flat: the one map of a job. Arrow keys walk from panel to panel. */
export const Net = memo(function Net({
  arrangement,
  tool,
  lens,
  legend,
  label,
  chosen,
  onChoose,
  onEnter,
  plain = false,
  lead = true,
  names = true,
}: Props) {
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

  const { w, h } = view;
  const within = useMemo(
    () => ({ minX: x0, minY: y0, maxX: x0 + w, maxY: y0 + h - SCALE_BAR_PX * unit }),
    [x0, y0, w, h, unit],
  );

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
            {!plain && names && (
              <Labels panels={panels} paints={paints} unit={unit} chosen={chosen} within={within} lead={lead} />
            )}
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
        <ul className="flex flex-wrap gap-x-4 gap-y-1 border-t px-3 py-1.5 text-[13px] text-ink-2 max-sm:max-h-14 max-sm:overflow-auto">
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
});

/** The chosen panel over its neighbours, what is kept clear over the panel it lies in. */
function inOrder(panels: readonly PlacedPanel[], chosen: string | undefined): PlacedPanel[] {
  const rank = ({ id, overlaid }: PlacedPanel) => (overlaid ? 2 : 0) + (id === chosen ? 1 : 0);
  return panels.toSorted((a, b) => rank(a) - rank(b));
}
