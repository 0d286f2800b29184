/** Minutes of work as a quote has them: "35 min", "4 h 20". */
export function hours(minutes: number): string {
  const rounded = Math.round(minutes / 5) * 5;
  if (rounded < 60) return `${Math.round(minutes)} min`;
  const rest = rounded % 60;
  return rest === 0
    ? `${Math.floor(rounded / 60)} h`
    : `${Math.floor(rounded / 60)} h ${String(rest).padStart(2, '0')}`;
}
