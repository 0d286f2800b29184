import { useSearchParams } from 'react-router';
import type { LegendEntry } from '../../net/paint';
import { Segmented } from '../../ui/Segmented';

export const LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'Bare' },
  { fill: 'buff', text: 'Wax' },
  { fill: 'tint-2', text: 'Sealant, spray' },
  { fill: 'tint-3', text: 'Ceramic' },
  { fill: 'tint-4', text: 'Ceramic top' },
  { fill: 'glass', text: 'Glass coating' },
  { fill: 'cross', text: 'Trim coating' },
  { fill: 'rules', text: 'Wheel coating' },
  { fill: 'hatch', text: 'Film' },
  { fill: 'stop', text: '✕ Refused' },
];

const VIEWS = ['plan', 'choose', 'offers'] as const;
type LayerView = (typeof VIEWS)[number];

/** Which side of Layer is open, kept in the address. */
export function useLayerView(): LayerView {
  const [params] = useSearchParams();
  return VIEWS.find((view) => view === params.get('view')) ?? 'plan';
}

/** What is planned, or what would be best. */
export function ViewSwitch() {
  const [, setParams] = useSearchParams();
  return (
    <Segmented
      label="Layer"
      value={useLayerView()}
      options={[
        ['plan', 'As planned'],
        ['choose', 'Choose for the whole item'],
        ['offers', 'Our offers'],
      ]}
      onChange={(view) =>
        setParams(
          (before) => {
            const next = new URLSearchParams(before);
            if (view === undefined || view === 'plan') next.delete('view');
            else next.set('view', view);
            return next;
          },
          { replace: true },
        )
      }
    />
  );
}
