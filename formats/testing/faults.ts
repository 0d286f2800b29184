import { type Fault, FaultsError } from '#formats/values';

/** What reading something finds wrong with it; none: it was read. Anything else that is thrown goes on. */
export function faultsOf(reading: () => unknown): readonly Fault[] {
  try {
    reading();
    return [];
  } catch (error) {
    if (error instanceof FaultsError) return error.faults;
    throw error;
  }
}
