import { z } from 'zod';
import { anyNumber, celsius, instant, list, object, oneOf } from '#formats/values';

/** Readings told at once, and of a file, which is told in parts: a year of minutes. */
export const READINGS_AT_ONCE = 20_000;
export const MOST_IN_FILE = 600_000;

/** Where a reading comes from: the instrument in the bay, somebody's hand, a logger's file. */
export const READING_SOURCES = ['instrument', 'hand', 'logger'] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

const reading = object({ at: instant(), airC: celsius(), rhPct: anyNumber() });

/** Air of a bay as somebody or something read it; what cannot be is kept and told, and not used. */
export const newReadingsSchema = object({
  source: oneOf(['hand', 'logger']),
  readings: list(reading, READINGS_AT_ONCE).min(1, { error: 'expected at least one reading' }),
});
export type NewReadings = z.output<typeof newReadingsSchema>;

/** The air a bay has had, thinned to what is asked for, and what follows from it. */
export const bayHistorySchema = object({
  buckets: z.array(
    object({
      at: instant(),
      lowC: z.number(),
      meanC: z.number(),
      highC: z.number(),
      rhPct: z.number(),
      count: z.int(),
    }),
  ),
  /** How many readings there are, and how many of them are not believed. */
  count: z.int(),
  doubtful: z.int(),
  /** Any of it by a stand-in, not by an instrument. */
  simulated: z.boolean(),
  last: object({
    at: instant(),
    airC: z.number(),
    rhPct: z.number(),
    source: oneOf(READING_SOURCES),
    ageMin: z.number(),
    spreadK: z.number(),
    isStale: z.boolean(),
  }).optional(),
  /** The bay as its history has it. */
  fit: object({
    openC: z.number(),
    nightC: z.number(),
    tauMin: z.number(),
    openRhPct: z.number(),
    rmsK: z.number(),
    hours: z.number(),
  }).optional(),
});
export type BayHistory = z.output<typeof bayHistorySchema>;
