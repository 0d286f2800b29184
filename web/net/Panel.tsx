import isEqual from 'fast-deep-equal';
import { memo, useMemo } from 'react';
import { boundingBox, type Polygon } from '#core/item/geometry';
import type { PlacedPanel } from '#core/item/nets';
import { Lengths } from './Lengths';
import { Spot } from './Spot';
import { paintOf } from './fills';
import { type PanelPaint, type Place, SIGN_WORDS } from './paint';
import { placeOf } from './sheet-tool';

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

export const Panel = memo(function Panel({ panel, paint, prefix, unit, plain, isChosen, onChoose }: PanelProps) {
  const { id, name, outline, copies, lengths, folded } = panel;
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
      {folded && <BreakMark outline={outline} unit={unit} />}
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
      p.folded === q.folded &&
      p.outline.length === q.outline.length &&
      p.outline.every(([x, y], index) => x === q.outline[index]![0] && y === q.outline[index]![1]));
  const samePaint = isEqual(a, b);
  return (
    samePanel &&
    samePaint &&
    before.prefix === after.prefix &&
    before.unit === after.unit &&
    before.plain === after.plain &&
    before.isChosen === after.isChosen
  );
}

/** Two slanting strokes across a strip that is longer than it is drawn. */
function BreakMark({ outline, unit }: { readonly outline: Polygon; readonly unit: number }) {
  const { minX, minY, maxX, maxY } = boundingBox(outline);
  const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
  const alongX = maxX - minX >= maxY - minY;
  const reach = Math.max((alongX ? maxY - minY : maxX - minX) / 2 + 4 * unit, 7 * unit);
  const stroke = (aside: number) => `M${aside - 2.5 * unit} ${reach}L${aside + 2.5 * unit} ${-reach}`;
  return (
    <g transform={`translate(${x} ${y}) rotate(${alongX ? 0 : 90})`} pointerEvents="none" aria-hidden>
      <path d={`${stroke(-3 * unit)}L${5.5 * unit} ${-reach}L${0.5 * unit} ${reach}Z`} fill="var(--sheet)" />
      <path
        d={`${stroke(-3 * unit)}${stroke(3 * unit)}`}
        stroke="var(--ink)"
        strokeWidth={1.1}
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
}
