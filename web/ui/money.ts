/** Minor units as money in the job's currency. */
export function money(minor: number, currency: string): string {
  return new Intl.NumberFormat('en', { style: 'currency', currency }).format(minor / 100);
}
