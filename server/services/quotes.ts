import type { PrepareSettings } from '#core/prepare/stages';
import type { Bay, Job, JobRecord } from '#formats/job';
import { kitOf } from '#formats/shelf';
import { quoted, type Quoted } from '#job/offers';
import { prepareSettings } from '#job/prepare';
import { weekOf } from '#job/promise';
import type { KitService } from './kit';
import type { OfferService } from './offers';
import type { RunLogService } from './run-log';
import type { ShelfService } from './shelf';

interface Sources {
  readonly bays: { readonly all: () => readonly Bay[] };
  readonly runLog: RunLogService;
  readonly kit: KitService;
  readonly offers: OfferService;
  readonly shelf: ShelfService;
}

/** What a job comes to with what the shop has and has learned, as its papers say it. */
export function quoteService({ bays, runLog, kit, offers, shelf }: Sources) {
  const settingsOf = (document: Job): PrepareSettings =>
    prepareSettings(document, runLog.learnedPreparation(), kitOf(kit.all().map(({ entry }) => entry)));
  return {
    /** How a job is prepared: its own settings over what was learned, with what is on the shelf of preparation. */
    settingsOf,
    /** Every offer of the shop on the item of a job, and the shelf they were priced from. */
    offersOn({ document, bayId }: Pick<JobRecord, 'document' | 'bayId'>): {
      readonly quotes: readonly Quoted[];
      readonly stock: Job['products'];
    } {
      const stock = shelf.products();
      const settings = settingsOf(document);
      const week = weekOf(bayId === null ? undefined : bays.all().find(({ id }) => id === bayId));
      return {
        stock,
        quotes: offers.all().map(({ offer }) => quoted(offer, { document, shelf: stock, settings, week })),
      };
    },
  };
}

export type QuoteService = ReturnType<typeof quoteService>;
