import { normal } from '#core/measures';
import { nextFit } from '#core/plan/crew';
import type { RehearsalCase, Uncertainty } from './case';

/** One day as it might go. Minutes on the scale of the job. */
export interface Day {
  /** By patch: how far outside its window its worse end was levelled, minutes; 0 within. */
  readonly lateMin: Float64Array;
  /** When each product's last patch was levelled; NaN where nothing of it is laid. */
  readonly lastMin: Float64Array;
  readonly endMin: number;
  /** How far the air was off, K; curing against the sheet, as a factor on its minutes, by product. */
  readonly offK: number;
  readonly cure: Float64Array;
}

/** An end this little past the window is in time, minutes: nobody wipes to the second. */
const IN_TIME_MIN = 0.1;

/**
 * Goes through a run sheet on a day of its own air, flash, cure and hands. Everybody works down their own part of the
 * sheet, and goes back to what is wet before laying on where it would close meanwhile: they watch it.
 */
export function aDay(asked: RehearsalCase, by: Uncertainty, random: () => number): Day {
  const { patches, actions, products, hours } = asked;
  const offK = by.airK * normal(random);
  const flash = products.map(({ flashSigma, flashPerK }) => {
    const ofTheDay = Math.sqrt(Math.max(0, flashSigma ** 2 - by.flash ** 2));
    return Math.exp(ofTheDay * normal(random) - flashPerK * offK);
  });
  const cure = Float64Array.from(products, () => Math.exp(by.cure * normal(random)));
  const recoating = products.map(({ curePerK }, product) => cure[product]! * Math.exp(-curePerK * offK));
  const pace = hours.map(() => Math.exp(by.pace * normal(random)));
  const delayMin = asked.preparationMin * (Math.exp(by.preparation * normal(random)) - 1);
  const lasts = Float64Array.from(
    actions,
    ({ who, lastsMin }) => lastsMin * pace[who]! * Math.exp(by.action * normal(random)),
  );
  const opens = new Float64Array(patches.length);
  const closes = new Float64Array(patches.length);
  patches.forEach(({ product, fromMin, byMin }, patch) => {
    const factor = flash[product]! * Math.exp(by.flash * normal(random));
    opens[patch] = fromMin * factor;
    closes[patch] = byMin * factor;
  });

  const layStart = new Float64Array(patches.length).fill(NaN);
  const layEnd = new Float64Array(patches.length).fill(NaN);
  const layer = new Int32Array(patches.length).fill(-1);
  patches.forEach(({ laid }, patch) => {
    if (laid) [layStart[patch], layEnd[patch]] = [laid.fromMin, laid.toMin];
  });
  const lateMin = new Float64Array(patches.length);
  const lastMin = new Float64Array(products.length).fill(NaN);
  // Of each coat: how many patches are still to be levelled, and when the last of them was.
  const coatLeft = new Int32Array(asked.coats);
  const coatEnd = new Float64Array(asked.coats).fill(-Infinity);
  for (const { does, patch } of actions) if (does === 'level') coatLeft[patches[patch]!.coat]! += 1;

  const lists = hours.map((_, who) => actions.flatMap((action, index) => (action.who === who ? [index] : [])));
  const first = actions[0]?.startMin ?? 0;
  // Preparation that takes longer moves the beginning; nobody begins before they planned to.
  const free = hours.map(() => first + Math.max(0, delayMin));
  let endMin = first;

  const levelFrom = (patch: number, who: number, levelMin: number): number => {
    const slower = layEnd[patch]! - layStart[patch]! - levelMin;
    const from = layStart[patch]! + opens[patch]! + Math.max(0, slower);
    return who === layer[patch] ? Math.max(from, layEnd[patch]!) : from;
  };
  const earliest = (action: number): number => {
    const { who, does, patch, holdMin } = actions[action]!;
    if (does === 'level')
      return Number.isNaN(layStart[patch]!) ? Infinity : Math.max(free[who]!, levelFrom(patch, who, lasts[action]!));
    const { below, notBeforeMin = -Infinity } = patches[patch]!;
    if (below && coatLeft[below.coat]! > 0) return Infinity;
    const recoated = below ? coatEnd[below.coat]! + below.lagMin * recoating[below.product]! : -Infinity;
    const soonest = Math.max(
      free[who]! + holdMin,
      recoated,
      notBeforeMin,
      actions[action]!.startMin === first ? first : -Infinity,
    );
    return nextFit(hours[who]!, soonest, lasts[action]!) ?? soonest;
  };
  /** What somebody does next: the first of their part, or what is wet of it and would close while they lay on. */
  const nextOf = (who: number): { readonly at: number; readonly startMin: number } | undefined => {
    const list = lists[who]!;
    if (list.length === 0) return undefined;
    const startMin = earliest(list[0]!);
    if (actions[list[0]!]!.does === 'level' || startMin === Infinity) return { at: 0, startMin };
    const busyUntil = startMin + lasts[list[0]!]!;
    for (let at = 1; at < list.length; at++) {
      const { does, patch } = actions[list[at]!]!;
      if (does !== 'level' || Number.isNaN(layEnd[patch]!)) continue;
      if (busyUntil + lasts[list[at]!]! > layEnd[patch]! + closes[patch]!) return { at, startMin: earliest(list[at]!) };
    }
    return { at: 0, startMin };
  };

  for (let left = actions.length; left > 0; left--) {
    let who = -1;
    let chosen: { readonly at: number; readonly startMin: number } | undefined;
    for (let each = 0; each < lists.length; each++) {
      const next = nextOf(each);
      if (next && (!chosen || next.startMin < chosen.startMin)) [who, chosen] = [each, next];
    }
    if (!chosen || chosen.startMin === Infinity) break;
    const [action] = lists[who]!.splice(chosen.at, 1);
    const { does, patch } = actions[action!]!;
    const end = chosen.startMin + lasts[action!]!;
    free[who] = end;
    endMin = Math.max(endMin, end);
    if (does === 'lay') {
      layStart[patch] = chosen.startMin;
      layEnd[patch] = end;
      layer[patch] = who;
      continue;
    }
    const oldest = Math.max(chosen.startMin - layStart[patch]!, end - layEnd[patch]!);
    const over = oldest - closes[patch]!;
    lateMin[patch] = over > IN_TIME_MIN ? over : 0;
    const { coat, product } = patches[patch]!;
    coatLeft[coat]! -= 1;
    coatEnd[coat] = Math.max(coatEnd[coat]!, end);
    lastMin[product] = Number.isNaN(lastMin[product]!) ? end : Math.max(lastMin[product]!, end);
  }
  return { lateMin, lastMin, endMin, offK, cure };
}
