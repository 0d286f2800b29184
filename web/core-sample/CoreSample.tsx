import { type CSSProperties, type ReactNode, type Ref, useId } from 'react';
import type { SubstrateId } from '#core/item/substrates';
import { type FamilyId, foundName, type FoundId } from '#core/products/families';
import type { Ledger } from '#core/prepare/stages';
import { type Fill, FillPatterns, paintOf } from '../net/fills';
import { familyFill, groundOf, ledgerGround } from './strata';

/** One layer of a stack as it is shown: what, how much of it is known, and what can be done about it. */
export interface SampleLayer {
  readonly key: string;
  readonly name: string;
  readonly family: FamilyId;
  readonly coats: number;
  /** Words beside it: rated life, when laid, cured or not. */
  readonly children?: ReactNode;
  /** Beside its name: what can be done with the whole layer. */
  readonly actions?: ReactNode;
  /** Not there yet, or not cured: drawn open instead of solid. */
  readonly open?: boolean;
  readonly refused?: boolean;
}

interface Props {
  readonly substrate: SubstrateId;
  readonly clearUm?: number | undefined;
  /** Of it stays whatever is done, µm; absent: as usual for such paint. */
  readonly reserveUm?: number | undefined;
  readonly existing: readonly FoundId[];
  /** What is known of each of them, in their order: what it is called, and words beside it. */
  readonly told?: readonly { readonly name?: string | undefined; readonly words?: ReactNode }[];
  /** Bottom first. */
  readonly layers: readonly SampleLayer[];
  /** What becomes of the clear coat: drawn in its place. */
  readonly ledger?: Ledger | undefined;
  /** Draws a layer's row in its own way, such as one that can be dragged. */
  readonly layerRow?: (key: string, row: SampleRowProps) => ReactNode;
}

const CUT_PX = 92;

/** A cut through the surface: the ground below, then what was found on it, then each layer in its order. */
export function CoreSample({ substrate, clearUm, reserveUm, existing, told, layers, ledger, layerRow }: Props) {
  const topDown = [...layers].reverse();
  const ground = ledger ? ledgerGround(substrate, ledger) : groundOf({ substrate, clearUm, reserveUm });
  return (
    <div className="border border-line-strong bg-sheet">
      <ol aria-label="The stack, from the top down">
        {topDown.map(({ key, name, family, coats, children, actions, open, refused }) => {
          const row: SampleRowProps = {
            fill: refused ? 'stop' : familyFill(family),
            dashed: open === true,
            name: coats > 1 ? `${name}, ${coats} coats` : name,
            parts: coats,
            minHeight: 54,
            strong: true,
            actions,
            children,
          };
          return layerRow ? layerRow(key, row) : <SampleRow key={key} {...row} />;
        })}
        {existing
          .map((family, index) => (
            <SampleRow
              key={`${family}-${index}`}
              fill={familyFill(family)}
              dashed
              name={told?.[index]?.name ?? `${foundName(family)}, found`}
              parts={1}
              minHeight={34}
            >
              {told?.[index]?.words}
            </SampleRow>
          ))
          .reverse()}
        {ground.map(({ name, detail, fill, heightPx, reserveShare }) => (
          <SampleRow
            key={name}
            fill={fill}
            name={name}
            detail={detail}
            minHeight={heightPx}
            parts={1}
            reserveShare={reserveShare}
          />
        ))}
      </ol>
      <BreakLine />
    </div>
  );
}

export interface SampleRowProps {
  readonly ref?: Ref<HTMLLIElement>;
  readonly style?: CSSProperties;
  readonly fill: Fill;
  readonly name: string;
  readonly detail?: string | undefined;
  readonly parts: number;
  readonly minHeight: number;
  readonly dashed?: boolean;
  readonly strong?: boolean;
  readonly reserveShare?: number | undefined;
  readonly actions?: ReactNode;
  readonly children?: ReactNode;
}

export function SampleRow(props: SampleRowProps) {
  const { ref, style, fill, name, detail, parts, minHeight, dashed, strong, reserveShare, actions, children } = props;
  const prefix = useId().replaceAll(':', '');
  return (
    <li ref={ref} className="flex border-b border-line-strong bg-sheet last:border-b-0" style={{ minHeight, ...style }}>
      <div className="relative shrink-0 border-r border-line-strong" style={{ width: CUT_PX }}>
        <svg className="absolute inset-0 h-full w-full" aria-hidden>
          <FillPatterns prefix={prefix} unit={1} />
          <rect width="100%" height="100%" fill={paintOf(fill, prefix)} />
          {dashed && (
            <rect
              x="1"
              y="1"
              width={CUT_PX - 3}
              height="calc(100% - 2px)"
              fill="none"
              stroke="var(--ink-2)"
              strokeDasharray="4 4"
            />
          )}
          {Array.from({ length: parts - 1 }, (_, index) => (
            <line
              key={index}
              x1="0"
              x2="100%"
              y1={`${(100 * (index + 1)) / parts}%`}
              y2={`${(100 * (index + 1)) / parts}%`}
              stroke="var(--ink-3)"
            />
          ))}
          {reserveShare !== undefined && (
            <line
              x1="0"
              x2="100%"
              y1={`${100 * (1 - reserveShare)}%`}
              y2={`${100 * (1 - reserveShare)}%`}
              stroke="var(--stop)"
              strokeWidth="1.5"
              strokeDasharray="6 3"
            />
          )}
        </svg>
      </div>
      <div className={`min-w-0 flex-1 self-center px-3 ${strong ? 'py-2' : 'py-0.5'}`}>
        <div className="flex items-center justify-between gap-2">
          <p className={strong ? 'font-semibold' : 'text-[13.5px] leading-tight text-ink-2'}>
            {name}
            {detail && <span className="text-ink-3"> · {detail}</span>}
          </p>
          {actions}
        </div>
        {children}
      </div>
    </li>
  );
}

/** The cut goes on downwards: the draughtsman's break line. */
function BreakLine() {
  return (
    <svg className="block border-t border-line-strong" width={CUT_PX} height={10} viewBox="0 0 92 10" aria-hidden>
      <path d="M0 5h30l5-4 8 8 5-4h44" fill="none" stroke="var(--ink-3)" />
    </svg>
  );
}
