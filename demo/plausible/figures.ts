import { expectedLife } from '#core/layers/life';
import { ENOUGH_CLEAR, planRemoval } from '#core/prepare/removal';
import { MINUTES_PER_HOUR } from '#core/measures';
import type { Sizes } from '#core/item/nets';
import type { SubstrateId } from '#core/item/substrates';
import { layingHours, preparationMin, USUAL_WEEK } from '#core/schedule/hours';
import { surfaceAreaM2 } from '#core/plan/job';
import { prepareItem } from '#core/prepare/stages';
import { layOut } from '#core/lay/run-sheet';
import { slowness } from '#core/plan/sections';
import type { Surface } from '#formats/job';
import { kitOf } from '#formats/shelf';
import { planInput } from '#job/plan';
import { quoted, toPlan } from '#job/offers';
import { panelCases, prepareSettings } from '#job/prepare';
import { demoKit } from '../kit';
import { DEMO_OFFERS } from '../offers';
import { allOver, inBay, type Seen, SHELF, surveyed } from '../sample';

/** A Tuesday morning in the heated bay. */
const NOW = '2027-03-02T09:00:00+01:00';

/** An item of a kind, as it comes to the yard. */
export interface PlausibleItem {
  readonly name: string;
  readonly template: string;
  readonly size: Sizes;
  readonly paint?: Seen;
  readonly madeOf?: (surface: { readonly substrate: SubstrateId }) => SubstrateId;
}

/** What a job of the table comes to, worked out by the models. */
export interface PlausibleFigures {
  readonly areaM2: number;
  readonly preparationH: number;
  readonly layingH: number;
  /** Of the product that most of the item gets. */
  readonly product: string;
  readonly ml: number;
  /** Whole units of the sample yard's currency. */
  readonly price: number;
  readonly lifeMonths: readonly [from: number, to: number];
  /** Taking it all off again at half its life, hours. */
  readonly removalH: number;
}

const areaOf = (surface: Surface) => surfaceAreaM2({ ...surface, curvature: surface.curvature ?? 1 });

/** An item that came in, as one offer of the yard would have it done. @throws RangeError for an offer the yard has not */
export function plausibleJob({ template, size, paint, madeOf }: PlausibleItem, offerId: string) {
  const offer = DEMO_OFFERS.find(({ id }) => id === offerId);
  if (!offer) throw new RangeError(`the yard has no offer ${offerId}`);
  const draft = inBay('bay-1', {
    title: offer.name,
    startAt: NOW,
    surfaces: surveyed({
      template,
      size,
      paint: { marks: [allOver('swirls', 'medium')], readingsUm: [112, 116, 119], ...paint },
      ...(madeOf && { madeOf }),
    }),
    owner: { parking: 'covered', wash: 'hand' },
    item: { name: template, template: { id: template, ...size } },
    prepare: { level: offer.level, hourRate: 4800 },
  });
  const { document } = draft;
  const settings = prepareSettings(document, undefined, kitOf(demoKit(NOW)));
  const quote = quoted(offer, { document, shelf: SHELF, settings, week: USUAL_WEEK });
  const stacks = toPlan(quote.applied, SHELF);
  const planned = {
    ...document,
    products: [...SHELF],
    surfaces: document.surfaces.map((surface) => ({ ...surface, layers: [...(stacks.get(surface.id) ?? [])] })),
  };
  return { draft, planned, quote, settings };
}

/** One offer of the yard on one item, worked out whole. @throws RangeError for an offer the yard has not */
export function plausibleFigures(item: PlausibleItem, offerId: string): PlausibleFigures {
  const { planned, quote, settings } = plausibleJob(item, offerId);
  const out = layOut(planInput(planned));
  const most = new Map<string, { areaM2: number; amount: number }>();
  for (const { coats } of out.plan.surfaces.values()) {
    for (const { product, laid } of coats) {
      const known = most.get(product) ?? { areaM2: 0, amount: 0 };
      if (laid)
        most.set(product, {
          areaM2: known.areaM2 + laid.sectionM2 * laid.sectionsPerCopy,
          amount: known.amount + laid.amount,
        });
    }
  }
  const [product, { amount }] = [...most].sort((a, b) => b[1].areaM2 - a[1].areaM2)[0]!;
  const sheets = new Map(SHELF.map((sheet) => [sheet.id, sheet]));
  const removals = planned.surfaces.map((surface) =>
    planRemoval({
      substrate: surface.substrate,
      slow: slowness(surface, areaOf(surface)),
      areaM2: areaOf(surface) * surface.count,
      clearUm: ENOUGH_CLEAR,
      layers: surface.layers.map(({ product: id }) => {
        const sheet = sheets.get(id)!;
        const { months } = expectedLife(sheet, {});
        return { ...sheet, ageMonths: months / 2, hard: true, lifeMonths: months };
      }),
    }),
  );
  return {
    areaM2: out.plan.surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0),
    preparationH: preparationMin(prepareItem(panelCases(planned), settings).minutes) / MINUTES_PER_HOUR,
    layingH: layingHours(out).personMin / MINUTES_PER_HOUR,
    product: sheets.get(product)!.name,
    ml: amount,
    price: quote.price.totalMoney / 100,
    lifeMonths: quote.price.lifeMonths,
    removalH: removals.reduce((sum, { expectedMin }) => sum + expectedMin, 0) / MINUTES_PER_HOUR,
  };
}
