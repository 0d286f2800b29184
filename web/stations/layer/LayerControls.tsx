import { ArrowDown, ArrowUp, Minus, Plus, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { FAMILIES } from '#core/products/families';
import { LAYERING_RULES, type LayerJudgement, type WayOut } from '#core/layers/rules';
import { METHOD_IDS, type MethodId, METHODS } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import { JOB_LIMITS, type Layer } from '#formats/job';
import { Button } from '../../ui/Button';
import { AnswerMark } from '../../ui/Mark';
import { Overrule } from './Overrule';
import { DONE_FIRST } from './done-first';

interface ControlsProps {
  readonly layer: Layer;
  readonly product: Product;
  readonly judgement: LayerJudgement;
  readonly laid: boolean;
  readonly onChange: (changes: Partial<Layer>) => void;
  readonly onRemove: () => void;
  readonly onWayOut: (way: WayOut) => void;
  readonly dateAfter: (days: number) => string;
}

const ICON = 'flex size-8 items-center justify-center rounded text-ink-2 hover:bg-tint-2 disabled:opacity-30';

interface ActionsProps {
  readonly name: string;
  readonly laid: boolean;
  readonly atTop: boolean;
  readonly atBottom: boolean;
  readonly onMove: (step: 1 | -1) => void;
  readonly onRemove: () => void;
}

export function LayerActions({ name, laid, atTop, atBottom, onMove, onRemove }: ActionsProps) {
  return (
    <span className="-my-1 -mr-2 flex shrink-0">
      <button
        type="button"
        className={ICON}
        aria-label={`Move ${name} up`}
        disabled={laid || atTop}
        onClick={() => onMove(1)}
      >
        <ArrowUp size={16} />
      </button>
      <button
        type="button"
        className={ICON}
        aria-label={`Move ${name} down`}
        disabled={laid || atBottom}
        onClick={() => onMove(-1)}
      >
        <ArrowDown size={16} />
      </button>
      <button type="button" className={ICON} aria-label={`Take ${name} out`} disabled={laid} onClick={onRemove}>
        <Trash2 size={16} />
      </button>
    </span>
  );
}

export function LayerControls(props: ControlsProps) {
  const { layer, product, judgement, laid, onChange, onRemove, onWayOut, dateAfter } = props;
  return (
    <div className="text-[14px]">
      <p className="text-[13px] text-ink-2">
        {FAMILIES[product.family].name}
        {product.ratedMonths !== undefined && `, rated ${product.ratedMonths} months`}
      </p>
      <p className="mt-1">
        <AnswerMark answer={judgement.answer} />
        {laid && <span className="ml-2 text-ink-2">laid; it stays on the record</span>}
      </p>
      {judgement.rulings.map((ruling) => (
        <div key={ruling.rule}>
          <p className="mt-1 leading-snug">
            {ruling.reason.charAt(0).toUpperCase() + ruling.reason.slice(1)}.{' '}
            <Link
              to={`/shelf/rules#${ruling.rule}`}
              className="text-ink-3 underline"
              title={LAYERING_RULES[ruling.rule].because}
            >
              {LAYERING_RULES[ruling.rule].says}
            </Link>
          </p>
          <Overrule
            ruling={ruling}
            laid={laid}
            onChange={(reason) => onChange({ overruled: { ...layer.overruled, [ruling.rule]: reason } })}
          />
        </div>
      ))}
      {judgement.waysOut.length > 0 && (
        <div className="mt-2">
          <p className="label">Ways out</p>
          <div className="mt-1 flex flex-col items-start gap-1.5">
            {judgement.waysOut.map((way) =>
              way.kind === 'repaint' ? (
                <p key="repaint">Have it repainted, and let the paint breathe.</p>
              ) : way.kind === 'wait' ? (
                <p key="wait">
                  Wait {way.days} days: not before {dateAfter(way.days)}.
                </p>
              ) : (
                <Button
                  key={wayName(way)}
                  className="min-h-8 py-1 text-left text-[13.5px] whitespace-normal!"
                  onClick={() => onWayOut(way)}
                >
                  {wayName(way)}
                </Button>
              ),
            )}
          </div>
        </div>
      )}
      {judgement.answer === 'no' && judgement.waysOut.length === 0 && (
        <Button
          className="mt-2 min-h-8 py-1 text-left text-[13.5px] whitespace-normal!"
          disabled={laid}
          onClick={onRemove}
        >
          Nothing on the shelf may go here: leave it bare
        </Button>
      )}
      <div className="mt-1.5 flex flex-wrap items-center gap-1">
        <button
          type="button"
          className={ICON}
          aria-label={`One coat of ${product.name} less`}
          disabled={laid || layer.coats <= 1}
          onClick={() => onChange({ coats: layer.coats - 1 })}
        >
          <Minus size={16} />
        </button>
        <span>
          {layer.coats} {layer.coats === 1 ? 'coat' : 'coats'}
        </span>
        <button
          type="button"
          className={ICON}
          aria-label={`One coat of ${product.name} more`}
          disabled={laid || layer.coats >= JOB_LIMITS.coatsOfLayer}
          onClick={() => onChange({ coats: layer.coats + 1 })}
        >
          <Plus size={16} />
        </button>
        <select
          aria-label={`How ${product.name} is laid`}
          className="field min-h-8 w-36 py-0 text-[13.5px]"
          value={layer.method}
          disabled={laid}
          onChange={({ target }) => onChange({ method: target.value as MethodId })}
        >
          {METHOD_IDS.map((id) => (
            <option key={id} value={id}>
              {METHODS[id].name}
            </option>
          ))}
        </select>
      </div>
    </div>
  );
}

function wayName(way: Exclude<WayOut, { kind: 'wait' | 'repaint' }>): string {
  switch (way.kind) {
    case 'instead':
      return `${way.product.name} instead${way.answer === 'test' ? ', after a test spot' : ''}`;
    case 'beneath':
      return `Put ${way.product.name} beneath it`;
    case 'strip':
      return `Strip the ${way.what} first`;
    case 'renew-top':
      return `Take only the ${way.what} off: what carries it stays`;
    case 'first':
      return `${way.what} will be ${DONE_FIRST[way.do]} before it: note it`;
  }
}
