import type { GoVerdict } from '#core/lay/go';

interface Props {
  /** By humidity, then temperature. */
  readonly region: readonly (readonly GoVerdict[])[];
  readonly columns: readonly number[];
  readonly rows: readonly number[];
  readonly airC: number;
  readonly rhPct: number;
}

const CELL = { width: 10, height: 9 };
const LEFT = 34;
const BOTTOM = 30;
const FILLS: Readonly<Record<GoVerdict, string>> = {
  good: 'var(--ok)',
  marginal: 'var(--warn)',
  not: 'var(--stop-soft)',
};
/** Told by size as well as by colour. */
const SIZES: Readonly<Record<GoVerdict, number>> = { good: 1, marginal: 0.6, not: 0.2 };

/** Temperature across, humidity up: where a product works on a panel, and where the air is now. */
export function RegionMap({ region, columns, rows, airC, rhPct }: Props) {
  const [width, height] = [LEFT + columns.length * CELL.width + 8, rows.length * CELL.height + BOTTOM];
  const [firstC, firstRh, stepRh] = [columns[0]!, rows[0]!, rows[1]! - rows[0]!];
  const x = (c: number) => LEFT + (c - firstC + 0.5) * CELL.width;
  const y = (rh: number) => (rows.length - 0.5 - (rh - firstRh) / stepRh) * CELL.height;
  const works = region.flat().filter((verdict) => verdict !== 'not').length;
  const isOn = airC >= firstC && airC <= columns.at(-1)! && rhPct >= firstRh && rhPct <= rows.at(-1)!;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="w-full"
      role="img"
      aria-label={`Temperature against humidity: it works on ${works} of ${region.flat().length} places`}
    >
      {region.map((line, row) =>
        line.map((verdict, column) => {
          const size = SIZES[verdict];
          return (
            <rect
              key={`${row} ${column}`}
              x={x(columns[column]!) - (size * CELL.width) / 2}
              y={y(rows[row]!) - (size * CELL.height) / 2}
              width={size * CELL.width}
              height={size * CELL.height}
              fill={FILLS[verdict]}
            />
          );
        }),
      )}
      {columns
        .filter((c) => c % 5 === 0)
        .map((c) => (
          <text key={c} x={x(c)} y={height - 14} textAnchor="middle" fontSize={11} fill="var(--ink-2)">
            {c}
          </text>
        ))}
      {rows
        .filter((rh) => rh % 20 === 10)
        .map((rh) => (
          <text key={rh} x={LEFT - 6} y={y(rh) + 4} textAnchor="end" fontSize={11} fill="var(--ink-2)">
            {rh}
          </text>
        ))}
      <text x={LEFT} y={height - 1} fontSize={11} fill="var(--ink-2)">
        air, °C across; humidity, % up
      </text>
      {isOn && (
        <g fill="none" stroke="var(--over)" strokeWidth={2.5}>
          <circle cx={x(airC)} cy={y(rhPct)} r={7} fill="var(--sheet)" />
          <circle cx={x(airC)} cy={y(rhPct)} r={2.5} fill="var(--over)" />
        </g>
      )}
    </svg>
  );
}
