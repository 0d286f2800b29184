import { z } from 'zod';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import { jobSchema, jobSenseFaults, wishesSchema } from '#formats/job';
import { id, object, read } from '#formats/values';

export const CHOOSE_FORMAT = 'glaphyra.choose/1';
export const CHOICE_FORMAT = 'glaphyra.choice/1';

/** A job and the wishes, as the command takes them; layers that are in the job are given by hand. */
export const chooseFileSchema = object({
  format: z.literal(CHOOSE_FORMAT, { error: `expected "${CHOOSE_FORMAT}"` }),
  job: jobSchema,
  wishes: wishesSchema.default(() => wishesSchema.parse({})),
});
export type ChooseFile = z.output<typeof chooseFileSchema>;

const layerSchema = z.object({ product: id(), coats: z.int() });
const pointSchema = z.object({
  name: z.enum(['wishes', 'cheapest', 'longest', 'quickest', 'between']),
  /** Beside the first, in words. */
  words: z.string(),
  surfaces: z.array(
    z.object({ id: z.string(), layers: z.array(layerSchema), testSpot: z.boolean(), lifeMonths: z.number() }),
  ),
  purchases: z.array(
    z.object({
      product: z.string(),
      order: z.number(),
      packs: z.array(z.object({ size: z.number(), count: z.int() })),
      cost: z.number(),
      leftover: z.number(),
    }),
  ),
  materialMoney: z.number(),
  firstMoney: z.number(),
  hours: z.number(),
  keptMoney: z.number(),
  keptHours: z.number(),
  yearMoney: z.number(),
  yearHours: z.number(),
  yearUm: z.number(),
  /** From when laying starts until all of it may be handed over, the hours of laying apart; null: never in this air. */
  readyHours: z.number().nullable(),
  lifeMonths: z.number(),
  removalUm: z.number(),
  /** How far it may be from the best there is, as a share: 0.01 is a hundredth. */
  gap: z.number(),
});

/** What the command answers: the choice for the wishes first, then the others of the frontier. */
export const choiceFileSchema = z.object({
  format: z.literal(CHOICE_FORMAT),
  points: z.array(pointSchema),
  /** Surfaces for which nothing on the shelf is allowed or answers to the wishes. */
  bare: z.array(z.string()),
  honest: z.array(z.string()),
  /** Products that are not in the best choice, and why: no rule lets them, not wished, beaten, beyond the bay or the days, or so much dearer. */
  fellAway: z.array(
    z.discriminatedUnion('why', [
      z.object({ product: z.string(), why: z.enum(['not-allowed', 'not-wished', 'beaten']) }),
      z.object({
        product: z.string(),
        why: z.literal('not-in-bay'),
        because: z.enum(['limits', 'no-window', 'never-cures', 'days']),
      }),
      z.object({
        product: z.string(),
        why: z.literal('dearer'),
        by: z.number(),
        substrate: z.enum(SUBSTRATE_IDS),
        lifeMonths: z.number(),
      }),
    ]),
  ),
  /** The plain way, surface by surface, for comparison. */
  alone: z.object({ firstMoney: z.number(), keptMoney: z.number(), hours: z.number(), lifeMonths: z.number() }),
});
export type ChoiceFile = z.output<typeof choiceFileSchema>;

export type ChoicePoint = ChoiceFile['points'][number];

/** Reads a file of the choose command. @throws FaultsError with every fault at once, those of the job under `job`. */
export function readChooseFile(value: unknown): ChooseFile {
  return read(value, chooseFileSchema, (raw) => {
    const job = typeof raw === 'object' && raw !== null && 'job' in raw ? raw.job : undefined;
    return jobSenseFaults(job).map(({ path, message }) => ({ path: `job.${path}`, message }));
  });
}
