/** Values that recur in the open formats, each with the words its refusal is said in. */
import { DateTime } from 'luxon';
import { z } from 'zod';

/** Nothing here is larger than this in any unit; beyond it arithmetic stops being honest. */
const LARGEST = 1e9;
const TOO_LARGE = 'expected at most 1,000,000,000';

const number = (error: string) =>
  z.number({ error }).max(LARGEST, { error: TOO_LARGE }).min(-LARGEST, { error: TOO_LARGE });
const whole = (error: string, least: number) => number(error).int({ error }).min(least, { error });

export const anyNumber = () => number('expected a number');
export const positive = () => number('expected a positive number').positive({ error: 'expected a positive number' });
export const nonNegative = () =>
  number('expected zero or a positive number').min(0, { error: 'expected zero or a positive number' });
export const wholePositive = () => whole('expected a whole number of at least 1', 1);
export const wholeNonNegative = () => whole('expected a whole number, zero or more', 0);
export const percent = () =>
  number('expected 0 to 100 %').min(0, { error: 'expected 0 to 100 %' }).max(100, { error: 'expected 0 to 100 %' });
/** A place across or down a panel. */
export const share = () => {
  const error = 'expected a share of the panel, 0 to 1';
  return anyNumber().min(0, { error }).max(1, { error });
};
const CELSIUS = 'expected a temperature from -60 to 150 °C';
/** Temperatures anything here is done at, with room for freak readings, °C. */
export const celsius = () => number(CELSIUS).min(-60, { error: CELSIUS }).max(150, { error: CELSIUS });
/** Letters of a note; a name has fewer. */
const MOST_LETTERS = 4000;
const MOST_LETTERS_OF_NAME = 300;
export const text = (most = MOST_LETTERS) =>
  z.string({ error: 'expected text' }).max(most, { error: `expected at most ${most} letters` });
export const nonEmpty = (most = MOST_LETTERS_OF_NAME) =>
  text(most).trim().min(1, { error: 'expected text, not nothing' });
/** A name as it may stand in an address. */
export const id = () =>
  nonEmpty().regex(/^[A-Za-z0-9_-]{1,64}$/, { error: 'expected at most 64 letters, digits, dashes or underscores' });
export const flag = () => z.boolean({ error: 'expected true or false' });

/** One of a list of words. */
export const oneOf = <const T extends readonly [string, ...string[]]>(words: T) =>
  z.enum(words, { error: () => `expected one of ${words.join(', ')}` });

/** An instant with its offset, such as 2027-03-02T08:30:00+01:00. */
export const instant = () => {
  const error = 'expected a date and time with its offset, such as 2027-03-02T08:30:00+01:00';
  return z.iso.datetime({ offset: true, error }).refine((value) => DateTime.fromISO(value).isValid, { error });
};
export const calendarDay = () => z.iso.date({ error: 'expected a date such as 2027-02-20' });

/** Two bounds, the lower first. */
export const range = (bound: () => z.ZodNumber) =>
  z.tuple([bound(), bound()], { error: 'expected two numbers: [lowest, highest]' });

/** Entries of a list where nothing else is said of it. */
const MOST_ENTRIES = 2000;
export const list = <T extends z.ZodType>(of: T, most = MOST_ENTRIES) =>
  z.array(of, { error: 'expected a list' }).max(most, { error: `expected at most ${most} entries` });
export const object = <T extends z.ZodRawShape>(shape: T) =>
  z.strictObject(shape, { error: (issue) => (issue.code === 'invalid_type' ? 'expected an object' : undefined) });
