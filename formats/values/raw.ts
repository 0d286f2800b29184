/** Values as they were read, before any schema has looked at them. */
export type Raw = Readonly<Record<string, unknown>>;

export const isRecord = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
export const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
export const records = (value: unknown): readonly (readonly [number, Raw])[] =>
  Array.isArray(value) ? value.flatMap((entry, index) => (isRecord(entry) ? [[index, entry] as const] : [])) : [];
