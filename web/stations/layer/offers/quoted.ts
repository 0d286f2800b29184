import { applyOffer, type Applied, type Offer, type OfferPrice, priceOffer } from '#core/offers';
import { prepareItem } from '#core/prepare';
import { choiceSurfaces, type Layer, panelCases, wishesOf } from '#formats';
import type { JobView } from '../../../job/useJobView';

/** An offer as it comes out on the item of a job. */
export interface Quoted {
  readonly offer: Offer;
  readonly applied: readonly Applied[];
  readonly price: OfferPrice;
}

/** An offer on this very item: stacks adapted by the rules, preparation at its level, the price of both. */
export function quoted(offer: Offer, { document, planned, shelf, prepared }: JobView): Quoted {
  const wanted = choiceSurfaces({ ...document, surfaces: document.surfaces.map((each) => ({ ...each, layers: [] })) });
  const asked = new Set(wanted.map(({ id }) => id));
  const grounds = planned.surfaces
    .filter(({ id }) => asked.has(id))
    .map(({ id, substrate, existing, refinishedAtMin }) => ({
      id,
      substrate,
      existing,
      ...(refinishedAtMin !== undefined && { refinishedAgoMin: -refinishedAtMin }),
    }));
  const applied = applyOffer(offer, grounds, shelf);
  const stacks = new Map(applied.map(({ id, layers }) => [id, layers]));
  const laid = {
    ...document,
    products: [...shelf],
    surfaces: document.surfaces.map((surface) => ({
      ...surface,
      layers: (stacks.get(surface.id) ?? []).map((layer): Layer => ({ ...layer, method: 'small-block' })),
    })),
  };
  const minutes = prepareItem(panelCases(laid), { ...prepared.settings, level: offer.level }).minutes;
  const surfaces = wanted.map((surface) => ({ ...surface, fixed: stacks.get(surface.id) ?? [] }));
  return { offer, applied, price: priceOffer(offer, surfaces, shelf, wishesOf(document), minutes) };
}
