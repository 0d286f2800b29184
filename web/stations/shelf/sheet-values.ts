import type { Form } from './sheet-fields';

/** Empty fields are absent ones; limits are given whole or not at all. */
export function withoutBlanks(values: Form): Form {
  const blank = (value: unknown) =>
    value === '' || value === undefined || (typeof value === 'number' && Number.isNaN(value));
  const clean = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(clean);
    if (typeof value !== 'object' || value === null) return value;
    const entries = Object.entries(value)
      .map(([key, inner]) => [key, clean(inner)] as const)
      .filter(([, inner]) => !blank(inner))
      .filter(([, inner]) => !(Array.isArray(inner) && inner.length === 2 && inner.every(blank)));
    return Object.fromEntries(entries);
  };
  const cleaned = clean(values) as Record<string, unknown>;
  const clocks = (cleaned.clocks ?? {}) as Record<string, { mechanism?: string }>;
  const substrates = (cleaned.substrates ?? {}) as Record<string, { use?: string }>;
  const { film, comesOffBy, shelfMonths, careDays, ...rest } = cleaned;
  return {
    ...rest,
    ...(rest.family === 'film' && film !== undefined && { film }),
    ...(Array.isArray(comesOffBy) && comesOffBy.length > 0 && { comesOffBy }),
    ...(careDays !== undefined && Object.keys(careDays as object).length > 0 && { careDays }),
    ...(shelfMonths !== undefined && Object.keys(shelfMonths as object).length > 0 && { shelfMonths }),
    clocks: Object.fromEntries(Object.entries(clocks).filter(([, clock]) => clock.mechanism)),
    substrates: Object.fromEntries(Object.entries(substrates).filter(([, sheet]) => sheet.use)),
  } as Form;
}
