import { filmLengthMm } from '#core/stock';
import type { StockRow } from '#formats/stock';
import type { FilmOnRoll } from '#job/film';

type Roll = Pick<StockRow, 'id' | 'batch' | 'remaining' | 'rollMm' | 'offcutOf'>;

export const isOffcut = ({ offcutOf }: Pick<Roll, 'offcutOf'>): boolean => offcutOf !== undefined;

const whatItIs = (roll: Roll) => (isOffcut(roll) ? 'Offcut' : roll.batch ? `Batch ${roll.batch}` : 'Roll');

/** A roll in stock as it is chosen. */
export function rollWords(roll: Roll, widthMm: number): string {
  const lengthM = filmLengthMm(roll.remaining, roll.rollMm ?? widthMm) / 1000;
  return `${whatItIs(roll)}, ${lengthM.toFixed(lengthM < 2 ? 2 : 1)} m${roll.rollMm ? ` of ${Math.round(roll.rollMm)} mm` : ''} left`;
}

/** One of a film's rolls, in short. */
export function rollName({ nest, isCut }: FilmOnRoll, index: number, things: readonly Roll[]): string {
  const roll = things.find(({ id }) => id === nest.thing);
  const what = roll ? whatItIs(roll) : nest.thing === undefined ? 'to buy' : 'used up';
  return `${isCut ? '✓ ' : ''}${index + 1} · ${what}`;
}
