/** A number as typed, with a decimal point or comma and thin or plain spaces between groups; undefined for anything else. */
export function parseNumber(text: string): number | undefined {
  const plain = text
    .trim()
    .replaceAll(/[\s\u202f]/g, '')
    .replace(',', '.')
    .replace('−', '-');
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain)) return undefined;
  return Number(plain);
}

/** As many digits as say something, none that do not. */
export function formatNumber(value: number): string {
  const digits = Math.abs(value) >= 100 ? 1 : Math.abs(value) >= 1 ? 2 : 3;
  return String(Number(value.toFixed(digits)));
}

/** With so many digits; what rounds to nothing has no sign. */
export function fixed(value: number, digits: number): string {
  const said = value.toFixed(digits);
  return Number(said) === 0 ? said.replace('-', '') : said;
}

export const percent = (share: number): string => `${Math.round(share * 100)} %`;
