import { z } from 'zod';
import { CREW_ROLES } from '#core/plan/crew';
import { instant, object } from '#formats/values';
import { planSchema } from './plan';

export const RUNSHEET_FORMAT = 'glaphyra.runsheet/1';

const moment = instant().nullable();
const coat = { surface: z.string(), layer: z.int(), coat: z.int() };

/** A job laid out action by action, as the command line writes it. Numbers are not rounded; layers count from 0, all else from 1. */
export const runsheetSchema = object({
  format: z.literal(RUNSHEET_FORMAT),
  actions: z.array(
    object({
      who: z.string(),
      does: z.enum(CREW_ROLES),
      ...coat,
      copy: z.int(),
      section: z.int(),
      sections: z.int(),
      areaM2: z.number(),
      /** Of a laying, in the product's units. */
      amount: z.number().optional(),
      from: instant(),
      to: instant(),
      /** Of a levelling: ages of the path's first and last point. */
      ageFromMin: z.number().optional(),
      ageToMin: z.number().optional(),
    }),
  ),
  busyMin: z.record(z.string(), z.number()),
  /** Null where nothing is laid. */
  endAt: moment,
  boundMin: z.number(),
  ready: planSchema.shape.ready,
  refused: z.array(object({ ...coat, code: z.enum(['not-allowed', 'bond', 'window-closed', 'recoat-window']) })),
  /** Coats that nobody's hours leave room for: not laid, in whole or in part. */
  unlaid: z.array(object(coat)).optional(),
  findings: planSchema.shape.findings,
});

export type RunsheetFile = z.output<typeof runsheetSchema>;
