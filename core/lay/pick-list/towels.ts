import { COATING_TOWEL_M2 } from '#core/products/quantity';

/** One coat of a product on one panel, in the order panels are reached. */
export interface CoatOnPanel {
  readonly surface: string;
  readonly areaM2: number;
}

export interface TowelCount {
  /** Of each role. */
  readonly each: number;
  /** Panels after which the towels change: what levelled is loaded and goes, each cleaner one takes the role before its own. */
  readonly changesAfter: readonly string[];
}

/**
 * Towels a coat takes, by role, and where on the way they change: one of each role for 4 m². The cleanest is always last:
 * at a change the second becomes the first, the check towel the second, and a fresh one checks.
 */
export function towelsForCoat(panels: readonly CoatOnPanel[]): TowelCount {
  const changesAfter: string[] = [];
  let [wipedM2, loads] = [0, 0];
  for (const { surface, areaM2 } of panels) {
    wipedM2 += areaM2;
    const full = Math.floor(wipedM2 / COATING_TOWEL_M2 + 1e-9);
    if (full > loads) changesAfter.push(surface);
    loads = full;
  }
  const each = Math.max(panels.length > 0 ? 1 : 0, Math.ceil(wipedM2 / COATING_TOWEL_M2 - 1e-9));
  // Nothing changes after the last panel.
  const last = panels.at(-1)?.surface;
  return { each, changesAfter: changesAfter.at(-1) === last ? changesAfter.slice(0, -1) : changesAfter };
}
