import type { FoundId } from '#core/products/families';
import type { Mark } from './marks';
import type { Tone } from './tone';

export const TOUCHES = ['smooth', 'rough'] as const;
export const IRON_TESTS = ['clear', 'bleeds'] as const;
export const WATER_BEHAVIOURS = ['sheets', 'beads'] as const;

/** What touch, the iron test and water said of a panel; absent: not tried. */
export interface Evidence {
  readonly touch?: (typeof TOUCHES)[number] | undefined;
  readonly iron?: (typeof IRON_TESTS)[number] | undefined;
  readonly water?: (typeof WATER_BEHAVIOURS)[number] | undefined;
  readonly existing: readonly FoundId[];
  readonly tone?: Tone | undefined;
}

/**
 * What counts as being on a surface, from what was found and what water does: where it beads and nothing is noted,
 * something is there; where it sheets, what nobody knew is gone.
 */
export function foundByWater({ existing, water }: Pick<Evidence, 'existing' | 'water'>): readonly FoundId[] {
  if (water === 'beads' && existing.length === 0) return ['unknown'];
  return water === 'sheets' ? existing.filter((found) => found !== 'unknown') : existing;
}

/** What follows from that, in words; empty where nothing does. */
export function whatFollows({ touch, iron, water, existing, tone }: Evidence): string[] {
  return [
    ...(touch === 'rough' ? ['Rough to the fingertip: clay it before any pad touches it.'] : []),
    ...(iron === 'bleeds' ? ['Iron in it: iron remover, rinsed before it dries.'] : []),
    ...(water === 'beads' && existing.length === 0
      ? ['Water beads, and nothing is noted on it: take something to be there until it sheets.']
      : []),
    ...(existing.includes('unknown') && water === undefined
      ? ['Something unknown: strip wash, then water. Where it beads, something is left; where it sheets, nothing is.']
      : []),
    ...(water === 'sheets' && existing.length > 0
      ? ['Water sheets: what was on it is gone or dying. A dull patch may only be dirt over it.']
      : []),
    ...(tone === 'dark' ? ['Dark: every swirl and hologram shows in the sun; plan a finishing step.'] : []),
    ...(tone === 'pale' ? ['Pale: hides fine marks; look again under a spot lamp before saying there are none.'] : []),
  ];
}

/** A panel as its twin is compared with it. */
export interface ComparedPanel extends Evidence {
  readonly id: string;
  readonly marks: readonly Pick<Mark, 'kind'>[];
  /** Median paint thickness, where one was read. */
  readonly medianUm?: number | undefined;
}

export interface TwinDifference {
  readonly left: string;
  readonly right: string;
  /** Kinds of marks seen on one side only. */
  readonly onlyLeft: readonly Mark['kind'][];
  readonly onlyRight: readonly Mark['kind'][];
  /** Left minus right, µm; only where both were read and differ by more than {@link TWIN_GAP_UM}. */
  readonly gapUm?: number;
}

/** Twins painted on one day in one booth differ by less than this, µm. */
export const TWIN_GAP_UM = 25;

/** The panel on the other side of the item; undefined for one that has none by its name. */
export function twinOf(id: string): string | undefined {
  if (id.endsWith('-left')) return `${id.slice(0, -'-left'.length)}-right`;
  if (id.endsWith('-right')) return `${id.slice(0, -'-right'.length)}-left`;
  return undefined;
}

/**
 * Left against right, where they differ. A fault on one side only may be a film nobody peeled, or a repair:
 * a difference is always told, whatever was copied.
 */
export function twinDifferences(panels: readonly ComparedPanel[]): TwinDifference[] {
  const byId = new Map(panels.map((panel) => [panel.id, panel]));
  return panels.flatMap((left): TwinDifference[] => {
    const right = left.id.endsWith('-left') ? byId.get(twinOf(left.id)!) : undefined;
    if (!right) return [];
    const kinds = (panel: ComparedPanel) => new Set(panel.marks.map(({ kind }) => kind));
    const [onLeft, onRight] = [kinds(left), kinds(right)];
    const onlyLeft = [...onLeft].filter((kind) => !onRight.has(kind));
    const onlyRight = [...onRight].filter((kind) => !onLeft.has(kind));
    const gap = left.medianUm !== undefined && right.medianUm !== undefined ? left.medianUm - right.medianUm : 0;
    const apart = Math.abs(gap) > TWIN_GAP_UM;
    if (onlyLeft.length + onlyRight.length === 0 && !apart) return [];
    return [{ left: left.id, right: right.id, onlyLeft, onlyRight, ...(apart && { gapUm: gap }) }];
  });
}
