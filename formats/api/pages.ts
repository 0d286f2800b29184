import { z } from 'zod';
import { object } from '#formats/values';

/** Part of what was found, and how much there is in all. */
export const pageSchema = <T extends z.ZodType>(row: T) => z.object({ rows: z.array(row), found: z.int() });

const WHOLE = 'expected a whole number, zero or more';
const place = () =>
  z.coerce
    .number<number>({ error: WHOLE })
    .int({ error: WHOLE })
    .min(0, { error: WHOLE })
    .max(1e9, { error: WHOLE })
    .default(0);

/** How many rows are passed over. */
export const placeSchema = object({ from: place() });
/** Words to look for, and how many rows are passed over. */
export const searchSchema = object({ find: z.string().max(500).default(''), from: place() });
