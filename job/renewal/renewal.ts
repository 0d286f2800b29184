import type { StandingSurface } from '#core/care/upkeep';
import { topComesOffAlone } from '#core/products/families';
import { usualMethod } from '#core/products/methods';
import type { Job } from '#formats/job';
import type { LogEntry } from '#formats/log';
import type { ProductSheet } from '#formats/shelf';
import { judgeLayers } from '#job/judge';
import { planInput, withTakenOff } from '#job/plan';
import { jobAgain, stackOf, type StackLayer } from '#job/return';

/**
 * How a panel is renewed, mildest first: what lies on top is laid anew over all that stands, once that alone is off, once
 * all of it is off; or not by its own sheets.
 */
export const RENEWAL_WAYS = ['over', 'top-off', 'all-off', 'none'] as const;
export type RenewalWay = (typeof RENEWAL_WAYS)[number];

export interface PanelRenewal {
  readonly surface: string;
  readonly way: RenewalWay;
  /** Laid anew, bottom first. */
  readonly lays: readonly StackLayer[];
  /** Why it may not simply be laid over. */
  readonly because?: string;
}

interface Renewal {
  /** The day it is done. */
  readonly startAt: string;
  readonly standing: readonly StandingSurface[];
  /** The job's own sheets before those of the shelf. */
  readonly sheets: readonly ProductSheet[];
}

/**
 * What of each panel that has something on it must come off when it is renewed on a day, and what may stay: the topmost
 * layer again where the rules let it, else the whole stack on a bare panel.
 */
export function renewalOf(job: Job, log: readonly LogEntry[], renewal: Renewal): PanelRenewal[] {
  return waysOf(jobAgain(job, log, { what: '', startAt: renewal.startAt }), renewal);
}

function waysOf(again: Job, { standing, sheets }: Renewal): PanelRenewal[] {
  const grounds = new Map(planInput(again).surfaces.map((surface) => [surface.id, surface]));
  return standing.flatMap((subject): PanelRenewal[] => {
    const ground = grounds.get(subject.surface.id);
    if (!ground || ground.existing.length === 0) return [];
    const stack = stackOf(subject, sheets);
    const top = stack.at(-1);
    const surface = ground.id;
    if (!top || topName(subject) !== top.product.name) return [{ surface, way: 'none', lays: [] }];
    const judged = (lays: readonly StackLayer[], existing: typeof ground.existing) => {
      const layers = lays.map(({ product, coats }) => ({ product: product.id, coats }));
      const products = lays.map(({ product }) => product);
      return judgeLayers({ ...ground, existing }, layers, products).flatMap(({ answer, rulings }) =>
        answer === 'no' ? rulings.filter((ruling) => ruling.answer === 'no').map(({ reason }) => reason) : [],
      );
    };
    const against = judged([top], ground.existing);
    if (against.length === 0) return [{ surface, way: 'over', lays: [top] }];
    const because = against[0]!;
    if (topComesOffAlone(ground.existing) && judged([top], ground.existing.slice(0, -1)).length === 0)
      return [{ surface, way: 'top-off', lays: [top], because }];
    return judged(stack, []).length === 0
      ? [{ surface, way: 'all-off', lays: stack, because }]
      : [{ surface, way: 'none', lays: [], because }];
  });
}

const topName = ({ found, layers }: StandingSurface) => layers.at(-1)?.product.name ?? found.at(-1)?.name;

/** A renewal as a job: the item as it comes back, what must come off decided, what is laid anew planned. */
export function renewalJob(job: Job, log: readonly LogEntry[], renewal: Renewal): Job {
  const again = jobAgain(job, log, { what: 'renewed', startAt: renewal.startAt });
  const ways = waysOf(again, renewal);
  const those = (way: RenewalWay) => ways.filter((panel) => panel.way === way).map(({ surface }) => surface);
  const lays = new Map(ways.map((panel) => [panel.surface, panel.lays]));
  const products = ways.flatMap((panel) => panel.lays.map(({ product }) => product));
  return {
    ...again,
    prepare: withTakenOff(withTakenOff(again.prepare, those('all-off'), 'all'), those('top-off'), 'top'),
    products: [...new Map(products.map((product) => [product.id, product])).values()],
    surfaces: again.surfaces.map((surface) => ({
      ...surface,
      layers: (lays.get(surface.id) ?? []).map(({ product, coats }) => ({
        product: product.id,
        coats,
        method: usualMethod(product),
      })),
    })),
  };
}
