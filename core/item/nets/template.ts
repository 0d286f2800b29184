import type { Point } from '#core/item/geometry';
import type { GroupId } from './groups';
import type { Net } from './net';
import { type Dimension, DIMENSION_IDS, type Sizes } from './sizes';

/** How a measurement is called where a template says nothing of its own. */
const DIMENSION_WORDS: Readonly<Record<Dimension, string>> = {
  lengthMm: 'length',
  widthMm: 'width without mirrors',
  heightMm: 'height',
  wheelbaseMm: 'wheelbase',
  spanMm: 'wing span',
};

/** One kind of item as a net that stretches to the tape. */
export interface ItemTemplate {
  readonly id: string;
  readonly name: string;
  /** A typical item of the kind: where a form starts. Has every measurement the template asks for. */
  readonly usual: Sizes;
  /** What a tape can plausibly read, mm, for each of them. */
  readonly plausible: { readonly [D in Dimension]?: readonly [low: number, high: number] };
  /** What the trade calls a measurement on this kind of item, where that differs. */
  readonly words?: { readonly [D in Dimension]?: string };
  /** Groups of surfaces beside the outside that such an item has: `groups.ts`. */
  readonly groups: readonly GroupId[];
  /** Only what is approved for aircraft goes on any of it. */
  readonly aircraft?: boolean;
  /**
   * The net at an item's own size.
   * @throws SizeError for sizes {@link sizeFaults} finds fault with.
   */
  unfold(sizes: Sizes): Net;
  /** Where a point of the net at one size lies at another: how panels drawn or cut by hand stretch along. */
  warp(from: Sizes, to: Sizes): (point: Point) => Point;
  /** Why sizes that are each plausible do not fit together; undefined where they do. */
  misfit?(sizes: Sizes): SizeError | undefined;
}

export class SizeError extends RangeError {
  constructor(
    readonly dimension: Dimension,
    message: string,
  ) {
    super(message);
  }
}

/** The measurements a template asks for, in order, each with its name. */
export function asksFor({ plausible, words }: ItemTemplate): { readonly key: Dimension; readonly word: string }[] {
  return DIMENSION_IDS.filter((key) => plausible[key]).map((key) => ({
    key,
    word: words?.[key] ?? DIMENSION_WORDS[key],
  }));
}

/** Factors people slip by when they read a tape, largest first, with what they probably meant. */
const UNIT_SLIPS = [
  { factor: 1000, unit: 'metres' },
  { factor: 25.4, unit: 'inches' },
  { factor: 10, unit: 'centimetres' },
] as const;

/**
 * What is wrong with a set of sizes, each with a suggestion where a slip of unit explains it.
 * An empty list means the template can be stretched to them.
 */
export function sizeFaults(template: ItemTemplate, sizes: Sizes): SizeError[] {
  const faults = asksFor(template).flatMap(({ key, word }) => {
    const value = sizes[key];
    if (value === undefined) return [new SizeError(key, `${word} is missing`)];
    const [low, high] = template.plausible[key]!;
    if (value >= low && value <= high) return [];
    const slip = UNIT_SLIPS.find(({ factor }) => value * factor >= low && value * factor <= high);
    const hint = slip ? `; if that was in ${slip.unit}, it is ${Math.round(value * slip.factor)} mm` : '';
    return [new SizeError(key, `${word} ${value} mm is outside ${low} to ${high} mm for this template${hint}`)];
  });
  if (faults.length > 0) return faults;
  const misfit = template.misfit?.(sizes);
  return misfit ? [misfit] : [];
}

/** Sizes found to be in order: every measurement the template asks for is there. @throws SizeError, the first fault. */
export function checkedSizes(template: ItemTemplate, sizes: Sizes): Readonly<Record<Dimension, number>> {
  const [fault] = sizeFaults(template, sizes);
  if (fault) throw fault;
  return sizes as Readonly<Record<Dimension, number>>;
}
