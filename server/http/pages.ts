import { z } from 'zod';
import { FaultsError } from '#formats/values';

/** Some of what was found, and how much there is. */
export const pageSchema = <T extends z.ZodType>(row: T) => z.object({ rows: z.array(row), found: z.int() });

/**
 * How many rows are passed over.
 * @throws FaultsError for what is no whole number
 */
export function placeIn({ from = '0' }: Readonly<Record<string, string>>): number {
  if (!/^\d{1,9}$/.test(from))
    throw new FaultsError([{ path: 'from', message: 'expected a whole number, zero or more' }]);
  return Number(from);
}
