import { type Applied, applyOffer, type Offer, type OfferPrice, priceOffer, promisedMonths } from '#core/choose/offers';
import { type ChoiceSurface, validStacks } from '#core/choose/stacks';
import { SUBSTRATES } from '#core/item/substrates';
import { layingHours, preparationMin, type Week } from '#core/schedule/hours';
import { layOut } from '#core/lay/run-sheet';
import { prepareItem, type PrepareSettings } from '#core/prepare/stages';
import { type Job, surfaceName } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';
import { instantAfter } from '#formats/values';
import { choiceSurfaces, wishesOf } from '#job/choose';
import { jobFacts } from '#job/model';
import { planInput, withTakenOff } from '#job/plan';
import { bySchoolsOf } from '#job/terms';
import { panelCases, type Unready, unreadyPanels } from '#job/prepare';
import { panelsInWords, stackInWords, toPlan } from './stacks';

/** An offer as it comes out on the item of a job. */
export interface Quoted {
  readonly offer: Offer;
  readonly applied: readonly Applied[];
  /** Where what is found comes off first: its hours are in the price. */
  readonly stripped: readonly string[];
  readonly price: OfferPrice;
  /**
   * When it would be ready for collection, begun when the job begins, with nothing done of it yet; null: it never is, or
   * nothing is laid. Worked out when it is first asked: a price needs no days.
   */
  readonly readyAt: () => string | null;
  /** Of the marks on this item, the share that goes by this offer's correction; absent: none is marked. */
  readonly goneShare?: number | undefined;
  /** Panels it would lay on without the wash, decontamination or wipe that needs. */
  readonly unready: readonly Unready[];
  /** It lays nothing on this item: why, and what on the shelf would do. */
  readonly nothing?: { readonly why: string; readonly would: readonly string[] } | undefined;
}

interface QuoteSources {
  readonly document: Job;
  readonly shelf: readonly ProductSheet[];
  readonly settings: PrepareSettings;
  readonly week: Week;
}

/**
 * An offer on the item of a job: stacks adapted by the rules, preparation at its level, the price of both. What the
 * job has planned itself does not count.
 * @param settings how the job is prepared, but for the level, which is the offer's
 * @param week when its bay is open
 */
export function quoted(offer: Offer, { document, shelf, settings, week }: QuoteSources): Quoted {
  const bare = document.surfaces.map((surface) => ({ ...surface, layers: [] }));
  const wanted = choiceSurfaces({ ...document, surfaces: bare });
  const byRules = bySchoolsOf(document, shelf);
  const asFound = applyOffer(offer, wanted, byRules);
  const onceBare = applyOffer(
    offer,
    wanted.map((surface) => ({ ...surface, existing: [] })),
    byRules,
  );
  // What is found in the way comes off, as work that is priced, where more can be laid then.
  const stripped = wanted.flatMap(({ id, existing }, at) =>
    existing.length > 0 && onceBare[at]!.layers.length > asFound[at]!.layers.length ? [id] : [],
  );
  const applied = asFound.map((own, at) => (stripped.includes(own.id) ? onceBare[at]! : own));
  const stacks = toPlan(applied, shelf);
  const laid = {
    ...document,
    prepare: withTakenOff(document.prepare, stripped, 'all'),
    products: [...shelf],
    surfaces: bare.map((surface) => ({ ...surface, layers: [...(stacks.get(surface.id) ?? [])] })),
  };
  const cases = panelCases(laid);
  const preparation = prepareItem(cases, { ...settings, level: offer.level });
  const { minutes, goneShare } = preparation;
  const surfaces = wanted.map((surface) => ({ ...surface, fixed: stacks.get(surface.id) ?? [] }));
  // The same run sheet as the plan's, whoever works whenever: hours that are paid for do not depend on the clock.
  const out = layOut(planInput(laid));
  const { hourRate, exposure } = wishesOf(document);
  const price = priceOffer(offer, {
    materialMoney: out.plan.purchases.reduce((sum, { cost }) => sum + cost, 0),
    workMin: preparationMin(minutes) + layingHours(out).personMin,
    hourRate,
    lifeMonths: promisedMonths(surfaces, shelf, exposure),
  });
  const isLaid = applied.some(({ layers }) => layers.length > 0);
  return {
    offer,
    applied,
    readyAt: once(() => (isLaid ? readyOf(laid, { ...settings, level: offer.level }, week) : null)),
    stripped,
    price,
    unready: unreadyPanels({ cases, preparation }),
    ...(goneShare !== undefined && { goneShare }),
    ...(!isLaid && { nothing: whyNothing(wanted, applied, byRules) }),
  };
}

/** Worked out once, and not before it is asked for. */
function once<T>(work: () => T): () => T {
  let known: { readonly value: T } | undefined;
  return () => (known ??= { value: work() }).value;
}

/** When a job as it would be is ready for collection: by the same days as any other. */
function readyOf(document: Job, settings: PrepareSettings, week: Week): string | null {
  const { days } = jobFacts({
    ...{ document, settings, week, entries: [], found: [], nowMin: 0, weather: undefined },
    usage: () => undefined,
  });
  return days.readyMin === null ? null : instantAfter(document.startAt, days.readyMin);
}

/** Names on the shelf that would do instead: so many are enough to see. */
const MOST_NAMED = 3;

/** Why an offer lays nothing, by the largest panel, and which single sheets the rules allow there. */
function whyNothing(wanted: readonly ChoiceSurface[], applied: readonly Applied[], shelf: readonly ProductSheet[]) {
  const largest = wanted.toSorted((a, b) => b.areaM2 - a.areaM2)[0];
  if (!largest) return { why: 'nothing on this item is in its scope', would: [] };
  const why =
    applied.find(({ id }) => id === largest.id)?.adapted ??
    `none of its lines names ${SUBSTRATES[largest.substrate].name.toLowerCase()}`;
  const stacks = validStacks(largest, shelf, { testSpots: false, mostLayers: 1 });
  const would = [...new Set(stacks.flatMap(({ layers }) => layers.map(({ product }) => product.name)))];
  return { why, would: would.slice(0, MOST_NAMED) };
}

const BARE = 'Nothing is laid on';

/** What an offer lays, for the owner: each stack once, with the panels it goes on by name or by number. */
export function laidInWords(
  { applied, stripped }: Pick<Quoted, 'applied' | 'stripped'>,
  surfaces: Job['surfaces'],
  shelf: readonly ProductSheet[],
): string[] {
  const products = new Map(shelf.map(({ id, name }) => [id, name]));
  const names = new Map(surfaces.map((surface) => [surface.id, surfaceName(surface).toLowerCase()]));
  const on = new Map<string, string[]>();
  for (const { id, layers } of applied) {
    const stack = layers.length === 0 ? BARE : stackInWords(layers, (product) => products.get(product) ?? product);
    on.set(stack, [...(on.get(stack) ?? []), names.get(id) ?? id]);
  }
  const bareLast = [...on].sort(([a], [b]) => Number(a === BARE) - Number(b === BARE));
  const first = stripped.map((id) => names.get(id) ?? id);
  return [
    ...(first.length > 0 ? [`What was found comes off first: ${panelsInWords(first)}`] : []),
    ...bareLast.map(([stack, panels]) => `${stack}: ${panelsInWords(panels)}`),
  ];
}

/** What may be promised of its life, for the owner. */
export function lifeInWords({ price, nothing }: Pick<Quoted, 'price' | 'nothing'>): string {
  const [from, to] = price.lifeMonths.map(Math.round);
  if (nothing) {
    const would =
      nothing.would.length > 0
        ? ` The rules allow ${nothing.would.join(', ')}.`
        : ' Nothing on the shelf may go there.';
    return `Nothing is laid: ${nothing.why}.${would}`;
  }
  return to === 0 ? 'Nothing is laid.' : `Plan for ${from} to ${to} months.`;
}
