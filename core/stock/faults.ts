import type { Flaw, LoggedStock, StockEntry } from './events';
import { amountOnScale, emptyWeight, filmLengthMm, type StockThing, undoneIn } from './thing';

/** A vessel may hold a little more than is printed on it. */
const MOST_OVER_FULL = 1.05;
/** A weight this much below the empty one is the draught on the scale, g. */
const SCALE_SLACK_G = 0.5;

/**
 * Why an entry cannot be true of a thing as it stands, with what to do about it; undefined where it can.
 * @param entries of the thing, in the order they were made
 */
export function stockFault(
  thing: StockThing | undefined,
  entries: readonly LoggedStock[],
  entry: StockEntry,
): string | undefined {
  if (entry.type === 'bought')
    return thing ? 'this thing is in stock already: give the new one a name of its own' : undefined;
  if (entry.type === 'undo') return undoFault(thing, entries, entry.entry);
  if (!thing) return 'nothing of that name is in stock: take it in first';
  if (entry.type === 'untaught') {
    const named = entries.find(({ id }) => id === entry.entry);
    return named?.entry.type === 'weighed' ? undefined : 'only a weighing has taught something';
  }
  // What was laid was laid, whatever has become of the bottle since.
  if (entry.type === 'used') return undefined;
  if (thing.gone) return 'it left the stock already; undo that first if it is still here';
  switch (entry.type) {
    case 'taken':
      if (thing.inHand === entry.job) return 'it is in hand there already';
      return thing.inHand === undefined ? undefined : 'it is in hand at another job: put it back there first';
    case 'put-back':
      return thing.inHand === undefined ? 'it is in nobody’s hands' : undefined;
    case 'opened':
      return thing.openedMs === undefined ? undefined : 'it is open already';
    case 'counted':
      return entry.remaining > thing.size * MOST_OVER_FULL
        ? `it holds only ${thing.size} ${thing.unit}`.trim()
        : undefined;
    case 'weighed':
      return scaleFault(thing, entry);
    case 'flawed':
      return flawFault(thing, entry);
    case 'moved':
    case 'thrown-away':
      return undefined;
  }
}

function scaleFault(thing: StockThing, entry: Extract<StockEntry, { type: 'weighed' }>): string | undefined {
  if (thing.unit !== 'ml' && thing.unit !== 'g') return 'only what is poured or scooped is weighed: count it instead';
  const emptyG = emptyWeight(thing, entry);
  if (emptyG === undefined)
    return 'nobody knows what it weighs empty: type that, or weigh a full one of its kind first';
  if (entry.grossG < emptyG - SCALE_SLACK_G) return `it weighs ${emptyG.toFixed(0)} g empty: is the scale set to zero`;
  const amount = amountOnScale(entry.grossG, emptyG, thing.unit, entry.densityGPerMl);
  return amount > thing.size * MOST_OVER_FULL
    ? `that is more than the ${thing.size} ${thing.unit} it holds: is something on the scale besides`
    : undefined;
}

function flawFault({ rollMm, remaining }: StockThing, flaw: Flaw): string | undefined {
  if (rollMm === undefined) return 'only a roll of known width is marked: say how wide it is when it is taken in';
  if (flaw.toMm <= flaw.fromMm || flaw.highMm <= flaw.lowMm) return 'a flaw ends after it begins, along and across';
  if (flaw.highMm > rollMm) return `the roll is only ${rollMm} mm wide`;
  const leftMm = filmLengthMm(remaining, rollMm);
  return flaw.fromMm >= leftMm ? `only ${Math.floor(leftMm)} mm are left on it` : undefined;
}

/** What stands may be undone, but not the buying of something that was used or moved since. */
function undoFault(thing: StockThing | undefined, entries: readonly LoggedStock[], wanted: string): string | undefined {
  const undone = undoneIn(entries);
  const standing = entries.filter(({ id, entry }) => !undone.has(id) && entry.type !== 'undo');
  const named = standing.find(({ id }) => id === wanted);
  if (!named) return 'nothing that stands has that name';
  if (named.entry.type === 'bought' && standing.length > 1)
    return 'it has been used or moved since: throw it away instead';
  return thing ? undefined : 'nothing of that name is in stock';
}
