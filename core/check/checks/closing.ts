/** What is counted and taken off before an item goes, whatever it is. */
export const CLOSING_LINES = {
  tape: 'Tape and masking off, also under the edges',
  props: 'What was propped open is shut, what was lifted stands again',
  towels: 'Towels and applicators counted: none is left in a jamb or under the bonnet',
  tools: 'Tools counted, lamps and cables away',
  waste: 'Used towels of what hardens in water or out in the open, not in a heap: they can warm up by themselves',
} as const;
