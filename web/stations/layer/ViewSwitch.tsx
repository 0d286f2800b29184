import type { LegendEntry } from '../../net/paint';
import { AddressView, useAddressView } from '../../ui/AddressView';

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

/** Which side of Layer is open. */
export const useLayerView = () => useAddressView(['plan', 'choose', 'offers']);

/** What is planned, or what would be best. */
export const ViewSwitch = () => (
  <AddressView
    label="Layer"
    options={[
      ['plan', 'As planned'],
      ['choose', 'Choose for the whole item'],
      ['offers', 'Our offers'],
    ]}
  />
);
