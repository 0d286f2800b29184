import type { Offer } from '#core/choose/offers';
import type { SubstrateId } from '#core/item/substrates';

const PAINT: readonly SubstrateId[] = ['clear-gloss', 'single-stage', 'gloss-black'];
const WHEELS: readonly SubstrateId[] = ['wheel', 'caliper'];
const AIRCRAFT: readonly SubstrateId[] = ['aircraft-paint', 'acrylic-window'];
const one = (product: string) => ({ product, coats: 1 });
const TERMS = { wastePct: 5, marginPct: 15, taxPct: 20 } as const;
const NEVER_PROMISED = 'Stone chips, and scratches from brush washes';

/** The three offers of the yard, from the mildest to the longest-lived. */
export const DEMO_OFFERS: readonly Offer[] = [
  {
    ...TERMS,
    id: '1-inner-harbour',
    name: 'Inner Harbour',
    says: 'Cleaned, glossed and sealed for a season.',
    level: 'gloss-refresh',
    lines: [
      { on: [...PAINT, 'gelcoat', ...WHEELS], layers: [one('breakwater')] },
      { on: ['clear-matte', 'film-matte', 'vinyl'], layers: [one('still-pool')] },
      { on: ['glass'], layers: [one('squall')] },
      { on: AIRCRAFT, layers: [one('breakwater')] },
    ],
    promised: ['Half a year of easy washing'],
    notPromised: ['Deep scratches stay', NEVER_PROMISED],
  },
  {
    ...TERMS,
    id: '2-outer-harbour',
    name: 'Outer Harbour',
    says: 'One polishing step and a ceramic coating on paint and wheels.',
    level: 'one-step',
    lines: [
      { on: [...PAINT, 'lens-plastic', ...WHEELS], layers: [one('keelstone')] },
      { on: ['clear-matte', 'film-matte'], layers: [one('slack-water')] },
      { on: ['gelcoat'], layers: [one('deck-hand')] },
      { on: ['glass', 'windscreen', 'camera-lens'], layers: [one('lantern')] },
      { on: ['aircraft-paint'], layers: [one('updraught')] },
      { on: ['acrylic-window'], layers: [one('breakwater')] },
      { on: ['textured-plastic'], layers: [one('dockside')] },
    ],
    promised: ['Most fine marks gone', 'A look after a year, free of charge'],
    notPromised: ['Deep scratches are softened, not removed', NEVER_PROMISED],
  },
  {
    ...TERMS,
    id: '3-open-sea',
    name: 'Open Sea',
    says: 'Two polishing steps, a base with its top, and coatings made for glass, wheels and trim.',
    level: 'two-step',
    lines: [
      { on: PAINT, layers: [one('bedrock-base'), one('bedrock-top')] },
      { on: ['lens-plastic'], layers: [one('keelstone')] },
      { on: WHEELS, layers: [one('hot-rim')] },
      { on: ['clear-matte', 'film-matte'], layers: [one('plain-hull')] },
      { on: ['gelcoat'], layers: [{ product: 'deck-hand', coats: 1 }] },
      { on: ['glass', 'windscreen'], layers: [one('fore-sight')] },
      { on: ['aircraft-paint'], layers: [one('updraught'), one('gull-wing')] },
      { on: ['acrylic-window'], layers: [one('breakwater')] },
      { on: ['textured-plastic'], layers: [one('dockside')] },
    ],
    promised: ['Nearly all fine marks gone', 'A look every year, free of charge'],
    notPromised: ['What is through the clear coat stays', NEVER_PROMISED],
  },
];
