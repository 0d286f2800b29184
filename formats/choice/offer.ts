import { z } from 'zod';
import type { Offer } from '#core/choose/offers';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import { LEVELS } from '#core/prepare/stages';
import { id, list, nonEmpty, object, oneOf, percent, text, wholeNonNegative, wholePositive } from '#formats/values';

/** A named offer as the shop keeps it. */
export const offerSchema = object({
  id: id(),
  name: nonEmpty(),
  says: text().default(''),
  level: oneOf(LEVELS).default('one-step'),
  lines: list(
    object({
      on: list(oneOf(SUBSTRATE_IDS)).min(1, { error: 'expected at least one kind of surface' }),
      layers: list(object({ product: nonEmpty(), coats: wholePositive().default(1) })),
    }),
  ).min(1, { error: 'expected at least one stack' }),
  promised: list(nonEmpty()).default([]),
  notPromised: list(nonEmpty()).default([]),
  wastePct: percent().default(5),
  marginPct: percent().default(0),
  taxPct: percent().default(0),
  roundToMoney: wholeNonNegative().optional(),
  validDays: wholePositive().optional(),
}) satisfies z.ZodType<Offer>;

export const offerRecordSchema = z.object({ id: id(), version: z.int(), offer: offerSchema });
export type OfferRecord = z.output<typeof offerRecordSchema>;
