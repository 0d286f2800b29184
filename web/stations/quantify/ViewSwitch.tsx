import { AddressView, useAddressView } from '../../ui/AddressView';

export const useQuantifyView = () => useAddressView(['amounts', 'sections', 'list']);

/** How much, in which sections, and what has to lie ready. */
export const ViewSwitch = () => (
  <AddressView
    label="Quantify"
    options={[
      ['amounts', 'How much'],
      ['sections', 'Section by section'],
      ['list', 'Pick list'],
    ]}
  />
);
