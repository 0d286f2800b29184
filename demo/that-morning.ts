import { readFileSync } from 'node:fs';
import { deserialize } from 'node:v8';
import type { SampleWorkshop } from './workshop';

/** The morning at which most tests find the yard. */
export const THAT_MORNING = '2027-03-02T10:40:00+01:00';

export const THAT_MORNING_FILE = '.cache/that-morning';

/**
 * The sample workshop as it stands that morning, a copy for each asker. It was worked out once before the tests: laying
 * out eight jobs takes seconds, and two dozen test files begin from them.
 */
export function yardThatMorning(): SampleWorkshop {
  return deserialize(readFileSync(THAT_MORNING_FILE)) as SampleWorkshop;
}
