import isEqual from 'fast-deep-equal';
import { memo, useMemo } from 'react';
import type { Box } from '#core/item/geometry';
import type { PlacedPanel } from '#core/item/nets';
import { nameOnNet, type PlacedLabel, placeLabels } from './labels';
import { type PanelPaint, SIGNS } from './paint';

interface Props {
  readonly panels: readonly PlacedPanel[];
  readonly paints: ReadonlyMap<string, PanelPaint>;
  /** Millimetres of the sheet per pixel. */
  readonly unit: number;
  readonly chosen: string | undefined;
  readonly within: Box;
  readonly lead: boolean;
}

/** Names and captions over the panels, each whole; where marks are drawn the name makes room for them. */
export const Labels = memo(function Labels({ panels, paints, unit, chosen, within, lead }: Props) {
  const labels = useMemo(
    () =>
      placeLabels(
        panels
          .filter(({ id }) => !paints.get(id)?.spots?.length)
          .map((panel) => {
            const { caption = '', sign } = paints.get(panel.id) ?? {};
            const name = nameOnNet(panel);
            return { panel, name: sign ? `${SIGNS[sign]} ${name}` : name, caption, must: panel.id === chosen };
          }),
        unit,
        within,
        lead,
      ),
    [panels, paints, unit, chosen, within, lead],
  );
  return (
    <g pointerEvents="none" aria-hidden>
      {labels.map((label) => (
        <Label key={`${label.id} ${label.lines[0]!.text}`} label={label} unit={unit} />
      ))}
    </g>
  );
});

/** A name that stays where it was is not drawn again. */
const Label = memo(function Label({ label, unit }: { readonly label: PlacedLabel; readonly unit: number }) {
  const { lines, at, turned, px, leader } = label;
  const step = px * 1.15 * unit;
  return (
    <>
      {leader && (
        <>
          <path
            d={`M${leader[0][0]} ${leader[0][1]}L${leader[1][0]} ${leader[1][1]}`}
            stroke="var(--ink-3)"
            strokeWidth={0.8}
            vectorEffect="non-scaling-stroke"
          />
          <circle cx={leader[0][0]} cy={leader[0][1]} r={1.6 * unit} fill="var(--ink-2)" />
        </>
      )}
      <text
        transform={`translate(${at[0]} ${at[1]}) rotate(${turned ? -90 : 0})`}
        y={-((lines.length - 1) * step) / 2}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={px * unit}
        fill="var(--ink)"
        stroke="var(--sheet)"
        strokeWidth={3.2 * unit}
        strokeLinejoin="round"
        paintOrder="stroke"
        style={{ fontStretch: '88%' }}
      >
        {lines.map(({ text, strong }, index) => (
          <tspan key={index} x={0} dy={index === 0 ? 0 : step} fontWeight={strong ? 650 : 450}>
            {text}
          </tspan>
        ))}
      </text>
    </>
  );
}, isEqual);
