/** Stands where a name was. */
const NAMELESS = 'the owner';

/** What people write freely: a part of a name may stand there by itself. */
const WRITTEN_FREELY: ReadonlySet<string> = new Set(['title', 'note', 'notes', 'why', 'reason', 'text']);
/** Shorter parts of a name are other words as well. */
const SHORTEST_PART = 3;

const escaped = (text: string): string => text.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);
/** A word or several by themselves, whatever stands between them and in whatever case. */
const asWritten = (words: readonly string[], between: string): RegExp =>
  new RegExp(String.raw`(?<![\p{L}\p{N}])${words.map(escaped).join(between)}(?![\p{L}\p{N}])`, 'giu');

export interface Told {
  readonly names: readonly string[];
  readonly plates: readonly string[];
}

/**
 * Takes somebody's names and plates out of whatever was written: whole names wherever they stand, in any case, plates
 * however they are spaced; in what belongs to them, parts of the name in free text too.
 * @returns the same value where nothing of them stands in it
 */
export function nameless({ names, plates }: Told) {
  const wordsOf = (name: string) => name.trim().split(/\s+/).filter(Boolean);
  const whole = [
    ...names.map((name) => asWritten(wordsOf(name), String.raw`\s+`)),
    ...plates.map((plate) => asWritten(plate.split(/[\s-]+/).filter(Boolean), String.raw`[\s-]*`)),
  ];
  const parts = names
    .flatMap(wordsOf)
    .filter((part) => part.length >= SHORTEST_PART)
    .map((part) => asWritten([part], ''));
  const without = (text: string, isFree: boolean): string =>
    [...whole, ...(isFree ? parts : [])].reduce((left, said) => left.replaceAll(said, NAMELESS), text);
  const walked = (value: unknown, key: string, isTheirs: boolean): unknown => {
    if (typeof value === 'string') return key === 'id' ? value : without(value, isTheirs && WRITTEN_FREELY.has(key));
    if (Array.isArray(value)) return value.map((each) => walked(each, key, isTheirs));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([name, each]) => [name, walked(each, name, isTheirs)]));
  };
  /** @param isTheirs whether it belongs to them alone, such as their own job */
  return <T>(value: T, isTheirs: boolean): T => {
    const left = walked(value, '', isTheirs) as T;
    return JSON.stringify(left) === JSON.stringify(value) ? value : left;
  };
}
