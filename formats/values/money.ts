/** Minor units as money in a currency, in as many decimals as it has. */
export function money(minor: number, currency: string): string {
  const format = new Intl.NumberFormat('en', { style: 'currency', currency });
  const decimals = format.resolvedOptions().maximumFractionDigits ?? 2;
  return format.format(minor / 10 ** decimals);
}
