import { AddressView, useAddressView } from '../../ui/AddressView';

export const useTimeView = () => useAddressView(['cure', 'go', 'sheet', 'days', 'bench']);

/** When it is ready, whether to go now, who does what when, on which days, and what if. */
export const TimeSwitch = () => (
  <AddressView
    label="Time"
    options={[
      ['cure', 'Ready and cure'],
      ['go', 'Go or wait'],
      ['sheet', 'Run sheet'],
      ['days', 'Days'],
      ['bench', 'What if'],
    ]}
  />
);
