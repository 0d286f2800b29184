import { applyOffer, type Applied, type Offer, type OfferPrice, priceOffer } from '#core/offers';
import { prepareItem } from '#core/prepare';
import { choiceSurfaces, panelCases, wishesOf } from '#formats';
import type { JobView } from '../../../job/useJobView';
import { toPlan } from '../stacks';

/** An offer as it comes out on the item of a job. */
export interface Quoted {
  readonly offer: Offer;
  readonly applied: readonly Applied[];
  readonly price: OfferPrice;
}

/** An offer on this very item: stacks adapted by the rules, preparation at its level, the price of both. */
export function quoted(offer: Offer, { document, shelf, prepared }: JobView): Quoted {
  const wanted = choiceSurfaces({ ...document, surfaces: document.surfaces.map((each) => ({ ...each, layers: [] })) });
  const applied = applyOffer(offer, wanted, shelf);
  const stacks = toPlan(applied, shelf);
  const laid = {
    ...document,
    products: [...shelf],
    surfaces: document.surfaces.map((surface) => ({
      ...surface,
      layers: [...(stacks.get(surface.id) ?? [])],
    })),
  };
  const minutes = prepareItem(panelCases(laid), { ...prepared.settings, level: offer.level }).minutes;
  const surfaces = wanted.map((surface) => ({ ...surface, fixed: stacks.get(surface.id) ?? [] }));
  return { offer, applied, price: priceOffer(offer, surfaces, shelf, wishesOf(document), minutes) };
}
