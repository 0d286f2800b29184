import type { ShopCalendar } from '#formats/schedule';

const week = (
  from: number,
  to: number,
  saturday?: readonly [number, number],
): ShopCalendar['people'][number]['week'] => [
  ...Array.from({ length: 5 }, (): [number, number] => [from, to]),
  saturday ? [...saturday] : null,
  null,
];

/** Who is there at the yard, and what they are called to do. */
export const YARD_PEOPLE: ShopCalendar['people'] = [
  { id: 'maren', name: 'Maren', skills: ['prepare', 'lay', 'film', 'hand-over'], week: week(8, 17) },
  { id: 'ivo', name: 'Ivo', skills: ['prepare', 'lay'], week: week(8, 16) },
  { id: 'tessa', name: 'Tessa', skills: ['prepare', 'hand-over'], week: week(10, 18, [9, 13]) },
];

/** What the yard's bays share. */
export const YARD_TOOLS: ShopCalendar['tools'] = [
  { id: 'polishers', name: 'Polishers', count: 2, kinds: ['correct'] },
  { id: 'lamps', name: 'Lamps on stands', count: 2, kinds: ['check'] },
];
