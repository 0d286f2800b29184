import type { Mark, MarkKindId } from '#core/survey/condition';
import type { MarkFate } from './panel-case';

/** A mark with the panel it is on, as the owner calls it. */
export interface PlacedMark extends Pick<Mark, 'id' | 'kind'> {
  readonly on: string;
}

/** Marks of one kind are named one by one up to so many, and counted together beyond. */
const NAMED_UP_TO = 2;

/** What an owner calls one of them, and several. */
const NOUNS: Readonly<Record<MarkKindId, readonly [one: string, many: string]>> = {
  swirls: ['the fine swirls', 'the fine swirls'],
  holograms: ['the buffer trails', 'the buffer trails'],
  'deep-scratch': ['the deep scratch', 'the deep scratches'],
  'sanding-marks': ['the sanding marks', 'the sanding marks'],
  run: ['the run in the paint', 'the runs in the paint'],
  etching: ['the water-spot etching', 'the water-spot etching'],
  oxidation: ['the chalky bloom', 'the chalky bloom'],
  stain: ['the stain', 'the stains'],
  chip: ['the stone chip', 'the stone chips'],
  corrosion: ['the rust', 'the rust'],
  'dry-spray': ['the dry spray', 'the dry spray'],
  'repaint-edge': ['the edge of the old repaint', 'the edges of old repaint'],
  crazing: ['the crazing', 'the crazing'],
  'failing-clear': ['the failing clear coat', 'the failing clear coat'],
  'burn-through': ['the thin spot', 'the thin spots'],
  contamination: ['what is bonded to the paint', 'what is bonded to the paint'],
  'earlier-layer': ['the old coating or wax', 'the old coating or wax'],
  'transit-film': ['the transit film', 'the transit film'],
};
const ALWAYS_MANY: readonly MarkKindId[] = ['swirls', 'holograms', 'sanding-marks'];

const FATES: readonly (readonly [least: number, one: string, many: string])[] = [
  [0.95, 'goes', 'go'],
  [0.7, 'mostly goes', 'mostly go'],
  [0.4, 'about half goes', 'about half go'],
  [0.15, 'is softened', 'are softened'],
  [0, 'stays', 'stay'],
];

export interface OwnerLine {
  readonly words: string;
  /** Most of it stays: to be agreed before the work begins. */
  readonly stays: boolean;
}

/** "Front door, left" is the left front door to an owner. */
const sideFirst = (name: string) => name.toLowerCase().replace(/^(.*), (left|right)$/, '$2 $1');

/**
 * What becomes of everything that was seen, in words an owner understands: "the deep scratch on the left front
 * door stays". What stays comes first.
 */
export function inOwnersWords(marks: readonly PlacedMark[], fates: readonly MarkFate[]): OwnerLine[] {
  const fateOf = new Map(fates.map((fate) => [fate.mark, fate]));
  const groups = new Map<string, { kind: Mark['kind']; places: string[]; shares: number[]; hidden: boolean }>();
  for (const { id, kind, on } of marks) {
    const { share = 0, hidden = false } = fateOf.get(id) ?? {};
    const fate = FATES.findIndex(([least]) => share >= least);
    const key = `${kind}/${hidden}/${fate}`;
    const group = groups.get(key) ?? { kind, places: [], shares: [], hidden };
    group.places.push(sideFirst(on));
    group.shares.push(share);
    groups.set(key, group);
  }
  return [...groups.values()]
    .map(({ kind, places, shares, hidden }): OwnerLine & { share: number } => {
      const share = shares.reduce((sum, each) => sum + each, 0) / shares.length;
      const [, one, many] = FATES.find(([least]) => share >= least)!;
      const unique = [...new Set(places)];
      const where = unique.length <= NAMED_UP_TO ? `on the ${unique.join(' and the ')}` : `on ${unique.length} panels`;
      const several = places.length > 1;
      const [noun, nouns] = NOUNS[kind];
      const what = several ? nouns : noun;
      const plural = ALWAYS_MANY.includes(kind) || (several && noun !== nouns);
      const verb = hidden ? (plural ? 'are hidden' : 'is hidden') : plural ? many : one;
      return { words: `${what} ${where} ${verb}`, stays: share < 0.5, share };
    })
    .sort((a, b) => a.share - b.share)
    .map(({ words, stays }) => ({ words, stays }));
}
