import { z } from 'zod';
import { FOUND_IDS } from '#core/products/families';
import { jobSchema, surfaceSchema } from '#formats/job';
import {
  calendarDay,
  celsius,
  id,
  instant,
  list,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  percent,
  share,
  text,
  wholePositive,
  keptStrokes,
  strokes,
} from '#formats/values';

export const PASSPORT_FORMAT = 'glaphyra.passport/1';

/** More of anything come of a wrong file. */
const LIMITS = { surfaces: 500, layers: 20, visits: 200, lines: 400, names: 50 } as const;

const maybe = () => instant().nullable();

/** A layer as it was really laid: with what, from which batch, by whom, when and in what air, and what follows. */
const passportLayer = object({
  product: nonEmpty(),
  family: oneOf(FOUND_IDS),
  coats: wholePositive(),
  /** Share of the panel that has it. */
  share: share(),
  laidAt: instant(),
  endAt: instant(),
  batches: list(nonEmpty(), LIMITS.names),
  by: list(nonEmpty(), LIMITS.names),
  air: object({ airC: celsius(), rhPct: percent() }),
  /** Null: never in that air. */
  wetFrom: maybe(),
  firstWash: maybe(),
  hardFrom: maybe(),
  renew: object({ from: instant(), about: instant(), until: instant() }),
});

const passportPanel = object({
  surface: nonEmpty(),
  name: nonEmpty(),
  layers: list(passportLayer, LIMITS.layers),
  /** Found on it before, bottom first: of unknown age. */
  found: list(oneOf(FOUND_IDS), LIMITS.layers),
  /** Clear coat there is, µm; null: nobody has read it. */
  clearUm: nonNegative().nullable(),
  /** Mildest first, from the top down: by what each layer comes off, and how likely that is. */
  comesOff: list(object({ layer: nonEmpty(), by: nonEmpty(), chance: share() }), LIMITS.lines),
  neverUse: list(nonEmpty(), LIMITS.lines),
});

const passportVisit = object({
  at: instant(),
  title: nonEmpty(),
  shop: nonEmpty(),
  prepared: list(object({ what: nonEmpty(), minutes: nonNegative() }), LIMITS.lines),
  /** Clear taken by correction, µm by panel. */
  taken: list(object({ surface: nonEmpty(), um: nonNegative() }), LIMITS.surfaces),
  laid: list(object({ surface: nonEmpty(), product: nonEmpty() }), LIMITS.lines * 10),
  leftOut: list(object({ surface: nonEmpty(), why: nonEmpty() }), LIMITS.surfaces),
  /** The licensed engineer who signed for an aircraft. */
  released: object({ name: nonEmpty(), licence: nonEmpty(), at: instant() }).optional(),
  faults: list(object({ surface: nonEmpty(), what: nonEmpty(), remedy: text().nullable() }), LIMITS.lines),
  drops: list(
    object({ surface: nonEmpty(), deg: nonNegative(), sigmaDeg: nonNegative(), at: instant() }),
    LIMITS.lines,
  ),
});

/** The whole of an item’s protection: what lies on it, how it came there, how it is looked after and comes off again. */
export const passportSchema = object({
  issuedAt: instant(),
  shop: nonEmpty(),
  item: jobSchema.shape.item.unwrap().omit({ ownerName: true, plate: true, picture: true, arrived: true }),
  /** How it lives: what its layers wear by. */
  lives: jobSchema.shape.owner.unwrap().omit({ needsBy: true }).optional(),
  /** The item as it comes back: measured, with what lies on it, its clear ledger and the marks that stay or are hidden. */
  surfaces: list(surfaceSchema, LIMITS.surfaces),
  panels: list(passportPanel, LIMITS.surfaces),
  visits: list(passportVisit, LIMITS.visits).min(1, { error: 'expected at least one visit' }),
  /** In the owner’s words, in order of their dates; without one: always. */
  care: list(object({ at: instant().optional(), says: nonEmpty() }), LIMITS.lines),
  /** What of the final check was still open when it was signed; absent: nothing was. */
  unchecked: list(nonEmpty(), LIMITS.lines).optional(),
  warranty: object({
    /** What is warranted, and for how long from when it was laid. */
    covers: list(
      object({
        product: nonEmpty(),
        months: nonNegative(),
        from: instant(),
        batches: list(nonEmpty(), LIMITS.names),
        panels: list(nonEmpty(), LIMITS.surfaces),
      }),
      LIMITS.layers,
    ),
    inspections: list(instant(), LIMITS.lines),
    conditions: list(nonEmpty(), LIMITS.lines),
    number: nonEmpty().optional(),
    /** When it was registered with the maker. */
    registeredOn: calendarDay().optional(),
  }).nullable(),
});
export type Passport = z.output<typeof passportSchema>;

/** A passport with the shop’s signature over its canonical text (RFC 8785): Ed25519, key and signature in base64url. */
export const passportFileSchema = object({
  format: z.literal(PASSPORT_FORMAT, { error: `expected "${PASSPORT_FORMAT}"` }),
  passport: passportSchema,
  signature: object({ algorithm: z.literal('Ed25519'), key: nonEmpty(), value: nonEmpty() }),
});
export type PassportFile = z.output<typeof passportFileSchema>;

const signed = {
  id: id(),
  /** The name of whoever signs. */
  signedBy: text(200).min(1, { error: 'expected a name' }),
  strokes: strokes(),
};
/** Signed on the tablet when the item goes. */
export const newHandoverSchema = object(signed);
export type NewHandover = z.output<typeof newHandoverSchema>;
export const handoverSchema = object({
  ...signed,
  strokes: keptStrokes(),
  at: instant(),
  by: z.string().nullable(),
  passport: passportFileSchema,
});
export type Handover = z.output<typeof handoverSchema>;

/**
 * Whose key signed a passport, as far as is known here: this workshop's own, one a passport was taken in with before, one
 * nobody here has met, or one that claims the name of somebody whose key is another.
 */
const SIGNERS = ['ours', 'met', 'unknown', 'impostor'] as const;

/** What is found of a passport that was read: whether its signature holds, and whose it is. */
export const passportReadSchema = object({
  /** It is as the holder of its key signed it. */
  holds: z.boolean(),
  signer: z.enum(SIGNERS),
  /** The name its key is known by here, where one is. */
  knownAs: z.string().optional(),
  /** The key in brief, to be read aloud. */
  fingerprint: z.string(),
  passport: passportSchema,
});
export type PassportRead = z.output<typeof passportReadSchema>;
export const shopSchema = object({ name: text(120).min(1, { error: 'expected a name' }) });
/** The same with the code of its key, which others compare with the passports it signs. */
export const shopReadSchema = shopSchema.extend({ fingerprint: z.string() });
