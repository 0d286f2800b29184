import type { StockRow } from '#formats/stock';

/** What has a neck; all else is a box. */
const POURED: ReadonlySet<StockRow['unit']> = new Set(['ml', 'g']);

/** How full it is, as one looks at it: the fill stands on the bottom; what is guessed from use is hatched at its top. */
export function Level({ row, tall = 34 }: { readonly row: StockRow; readonly tall?: number }) {
  const share = row.size > 0 ? Math.min(1, row.remaining / row.size) : 0;
  const ink = row.past ? 'var(--stop)' : row.gone ? 'var(--line-strong)' : 'var(--tint-5)';
  const fill = tall - 8;
  return (
    <svg width={tall * 0.55} height={tall} viewBox={`0 0 ${tall * 0.55} ${tall}`} aria-hidden className="shrink-0">
      {POURED.has(row.unit) && (
        <rect x={tall * 0.17} y={0.5} width={tall * 0.21} height={5} fill="var(--sheet)" stroke="var(--line-strong)" />
      )}
      <rect x={0.5} y={5.5} width={tall * 0.55 - 1} height={tall - 6} fill="var(--sheet)" stroke="var(--line-strong)" />
      <rect x={2} y={7 + fill * (1 - share)} width={tall * 0.55 - 4} height={Math.max(0, fill * share)} fill={ink} />
      {row.basis === 'reckoned' && share > 0 && (
        <line
          x1={0}
          x2={tall * 0.55}
          y1={7 + fill * (1 - share)}
          y2={7 + fill * (1 - share)}
          stroke="var(--over)"
          strokeWidth={1.6}
          strokeDasharray="3 2"
        />
      )}
    </svg>
  );
}
