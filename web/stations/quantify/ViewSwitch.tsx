import { AddressView, useAddressView } from '../../ui/AddressView';

export const useQuantifyView = () => useAddressView(['amounts', 'sections', 'film', 'roll', 'list']);

/** How much, in which sections, how film is cut, and what has to lie ready. */
export const ViewSwitch = () => (
  <AddressView
    label="Quantify"
    options={[
      ['amounts', 'How much'],
      ['sections', 'Section by section'],
      ['film', 'Film blanks'],
      ['roll', 'Film on the roll'],
      ['list', 'Pick list'],
    ]}
  />
);
