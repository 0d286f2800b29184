import type { ScopeOption } from './item';
import type { Level } from './levels';

/** What the item is for: what a correction has to be worth. */
export const USES = ['daily', 'work', 'show', 'sale'] as const;
export type Use = (typeof USES)[number];

export const USE_NAMES: Readonly<Record<Use, string>> = {
  daily: 'Everyday, kept for years',
  work: 'Daily work',
  show: 'Show piece',
  sale: 'Sold within weeks',
};

export interface Advice {
  readonly level: Level;
  readonly why: string;
}

/** Less gained by a stronger level than this share of marks is not worth its hours in everyday use. */
const WORTH_ANOTHER_STEP = 0.15;
/** Of what could go at best, a work vehicle or a sale wants this share. */
const ENOUGH_TO_SELL = 0.6;

/**
 * The level that is sensible for a use, from what each would do on this very item.
 * @param options every level side by side, mildest first
 */
export function adviseLevel(options: readonly ScopeOption[], use: Use): Advice {
  const polishable = options.filter(({ goneShare }) => goneShare !== undefined);
  const best = options.at(-1)!;
  const { unknownOn } = best;
  if (polishable.length === 0 && unknownOn > 0) {
    return {
      level: use === 'work' ? 'gloss-refresh' : 'one-step',
      why: `Nobody has said what ${unknownOn === 1 ? 'one panel looks' : `${unknownOn} panels look`} like under the lamp: look, then promise.`,
    };
  }
  if (polishable.length === 0) {
    return {
      level: use === 'work' ? 'none' : 'gloss-refresh',
      why: 'No mark is noted that polishing moves: gloss is all there is to gain.',
    };
  }
  const share = (option: ScopeOption) => option.goneShare ?? 0;
  const gone = (option: ScopeOption) => `${Math.round(100 * share(option))} % of the marks`;
  switch (use) {
    case 'show':
      return {
        level: best.level,
        why: `Every mark is looked at: ${gone(best)} go, and no more can be had from this paint.`,
      };
    case 'work': {
      const refresh = options.find(({ level }) => level === 'gloss-refresh')!;
      return {
        level: refresh.level,
        why: `New marks come every week: ${gone(refresh)} for little time; hours put into correction are gone by the season’s end.`,
      };
    }
    case 'sale': {
      const enough = options.find((option) => share(option) >= ENOUGH_TO_SELL * share(best)) ?? best;
      return { level: enough.level, why: `${gone(enough)} go; the rest would cost more hours than a buyer pays for.` };
    }
    case 'daily': {
      const index = options.findIndex(
        (option, at) =>
          at > 0 && (options[at + 1] === undefined || share(options[at + 1]!) - share(option) < WORTH_ANOTHER_STEP),
      );
      const chosen = options[index]!;
      const next = options[index + 1];
      return {
        level: chosen.level,
        why: next
          ? `${gone(chosen)} go; ${next.name.toLowerCase()} would add only ${Math.round(100 * (share(next) - share(chosen)))} in a hundred and take up to ${next.mostUm.toFixed(0)} µm.`
          : `${gone(chosen)} go, and each step up was worth its time.`,
      };
    }
  }
}
