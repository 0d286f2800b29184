import { CUTTERS, type CutterId } from '#core/film/cutters';
import { type NestCase, pieceKey, type Placement } from '#core/film/nest';
import type { Polygon } from '#core/item/geometry';
import { filmLengthMm, type Flaw } from '#core/stock';
import type { FilmWork } from './film-work';

/** A roll or an offcut as it lies in stock; m² and mm. */
export interface RollInStock {
  readonly remaining: number;
  readonly flaws?: readonly Flaw[] | undefined;
}

/** What is nested of a film: on the roll it is cut from with its flaws, or on one to buy; what is pinned stays. */
export function nestCaseOf(
  { pieces, widthMm }: Pick<FilmWork, 'pieces' | 'widthMm'>,
  cutter: CutterId,
  roll?: RollInStock,
  kept: { readonly placements: readonly Placement[]; readonly pinned?: readonly string[] | undefined } = NONE,
): NestCase {
  const pinned = new Set(kept.pinned);
  return {
    rollWidthMm: widthMm,
    rollLengthMm: roll && filmLengthMm(roll.remaining, widthMm),
    gapMm: CUTTERS[cutter].gapMm,
    pieces,
    blocked: (roll?.flaws ?? []).map(flawOutline),
    seed: 1,
    pinned: kept.placements.filter((each) => pinned.has(pieceKey(each))),
  };
}
const NONE = { placements: [] };

const flawOutline = ({ fromMm, toMm, lowMm, highMm }: Flaw): Polygon => [
  [fromMm, lowMm],
  [toMm, lowMm],
  [toMm, highMm],
  [fromMm, highMm],
];
