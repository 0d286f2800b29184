import { MINUTES_PER_DAY } from '#core/measures';
import { useState } from 'react';
import { ArrowDown, ArrowUp, Minus, Plus, Trash2 } from 'lucide-react';
import { clearEstimateUm, judgeReadings } from '#core/item/paint';
import { SUBSTRATES } from '#core/item/substrates';
import { FAMILIES } from '#core/products/families';
import { LAYERING_RULES, type LayerJudgement, type TooLate, type WayOut } from '#core/products/layering';
import { METHOD_IDS, type MethodId, METHODS, usualMethod } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import type { Layer, Surface } from '#formats/job';
import { wishesOf } from '#job/choose';
import { setExisting, setLayers } from '#job/edit';
import { judgeLayers, judgePlanned, productsOf } from '#job/judge';
import { PanelHead, Part } from '../../job/Station';
import { useJob } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { AnswerMark } from '../../ui/Mark';
import { moment } from '../../ui/moments';
import { AddLayer } from './AddLayer';
import { Overrule } from './Overrule';
import { SortableSample } from './SortableSample';
import { StackLife } from './StackLife';
import { Link } from 'react-router';

const MOST_COATS = 20;

/** The core sample as an editor: layers on one panel, each with the answer of the rules and the way out of a refusal. */
interface StackEditorProps {
  readonly surface: Surface;
  /** The stack of this panel is taken in hand, to be laid on others by tap. */
  readonly onPickUp: (from: string, layers: readonly Layer[]) => void;
}

export function StackEditor({ surface, onPickUp }: StackEditorProps) {
  const job = useJob();
  const { document, planned, plan, shelf, edit, record } = job;
  const index = document.surfaces.indexOf(surface);
  const ground = planned.surfaces[index]!;
  const products = productsOf(document.products, shelf);
  const { layers } = surface;
  const judged = judgePlanned(ground, layers, plan.surfaces[index]!.coats, products);
  const laid = new Set(
    [...record.patches.values()].filter(({ patch }) => patch.surface === surface.id).map(({ patch }) => patch.layer),
  );
  const [refused, setRefused] = useState<{ readonly at: number; readonly why: string }>();
  const put = (next: readonly Layer[]) => {
    setRefused(undefined);
    edit(setLayers([surface.id], next, shelf));
  };
  /** A layer is dropped only where it breaks no rule that it did not break before. */
  const drop = (from: number, to: number) => {
    const next = moved(layers, from, to);
    const before = judgeLayers(ground, layers, products).filter(({ answer }) => answer === 'no').length;
    const after = judgeLayers(ground, next, products);
    const worse = after.filter(({ answer }) => answer === 'no').length > before;
    const why = after.flatMap(({ rulings }) => rulings).find(({ answer }) => answer === 'no')?.reason;
    if (worse && why !== undefined) setRefused({ at: to, why });
    else put(next);
  };
  const twins = document.surfaces.filter(
    (other) => other.substrate === surface.substrate && other.id !== surface.id && !sameStack(other.layers, layers),
  );
  const clearUm = clearEstimateUm(surface, judgeReadings(planned.surfaces)[index]?.medianUm);
  return (
    <>
      <PanelHead>
        <p className="text-ink-2">{SUBSTRATES[surface.substrate].name}</p>
      </PanelHead>
      <Part title="The stack">
        <AddLayer
          ground={ground}
          layers={layers}
          products={products}
          onAdd={(product) => put([...layers, { product: product.id, coats: 1, method: usualMethod(product) }])}
        />
        <div className="mt-3">
          <SortableSample
            fixed={new Set(layers.flatMap(({ product }, at) => (laid.has(at) ? [layerKey(product, at)] : [])))}
            onDrop={drop}
            refused={refused}
            substrate={surface.substrate}
            clearUm={clearUm}
            existing={surface.existing}
            layers={layers.map((layer, at) => {
              const product = products.find(({ id }) => id === layer.product)!;
              const judgement = judged[at]!;
              return {
                key: layerKey(layer.product, at),
                name: product.name,
                family: product.family,
                coats: layer.coats,
                open: !laid.has(at),
                refused: judgement.answer === 'no',
                actions: (
                  <LayerActions
                    name={product.name}
                    laid={laid.has(at)}
                    atTop={at === layers.length - 1}
                    atBottom={at === 0}
                    onMove={(step) => put(moved(layers, at, at + step))}
                    onRemove={() => put(layers.filter((_, i) => i !== at))}
                  />
                ),
                children: (
                  <LayerControls
                    layer={layer}
                    product={product}
                    judgement={judgement}
                    laid={laid.has(at)}
                    onChange={(changes) => put(layers.map((one, i) => (i === at ? { ...one, ...changes } : one)))}
                    onRemove={() => put(layers.filter((_, i) => i !== at))}
                    onWayOut={(way) => {
                      if (way.kind === 'strip' && at === 0) edit(setExisting([surface.id], []));
                      else put(afterWayOut(layers, at, way));
                    }}
                    dateAfter={(days) => moment(job.at(days * MINUTES_PER_DAY))}
                  />
                ),
              };
            })}
          />
        </div>
        {twins.length > 0 && (
          <Button
            className="mt-3 w-full"
            onClick={() => edit(setLayers([surface.id, ...twins.map(({ id }) => id)], layers, shelf))}
            disabled={laid.size > 0}
          >
            Same on all {twins.length + 1} panels of {SUBSTRATES[surface.substrate].name.toLowerCase()}
          </Button>
        )}
        {layers.length > 0 && (
          <Button className="mt-2 w-full" onClick={() => onPickUp(surface.id, layers)}>
            Take this stack in hand and tap where else it goes
          </Button>
        )}
      </Part>
      <StackLife
        layers={layers.map(({ product, coats }) => ({ product: products.find(({ id }) => id === product)!, coats }))}
        exposure={wishesOf(document).exposure}
      />
      <Hazards products={layers.map(({ product }) => products.find(({ id }) => id === product)!)} />
    </>
  );
}

const sameStack = (a: readonly Layer[], b: readonly Layer[]) => JSON.stringify(a) === JSON.stringify(b);

const layerKey = (product: string, at: number) => `${at}-${product}`;

/** The layers with one of them taken out of its place and put into another. */
function moved(layers: readonly Layer[], from: number, to: number): Layer[] {
  const rest = layers.filter((_, index) => index !== from);
  return rest.toSpliced(to, 0, layers[from]!);
}

function afterWayOut(layers: readonly Layer[], at: number, way: WayOut): Layer[] {
  switch (way.kind) {
    case 'instead':
      return layers.map((layer, index) => (index === at ? { ...layer, product: way.product.id } : layer));
    case 'beneath':
      return [
        ...layers.slice(0, at),
        { product: way.product.id, coats: 1, method: usualMethod(way.product) },
        ...layers.slice(at),
      ];
    case 'strip':
      return layers.filter((_, index) => index !== at - 1);
    case 'first':
      return layers.map((layer, index) =>
        index === at
          ? { ...layer, overruled: { ...layer.overruled, 'recoat-late': `${DONE_FIRST[way.do]} before it` } }
          : layer,
      );
    case 'wait':
      return [...layers];
  }
}

const DONE_FIRST: Readonly<Record<TooLate, string>> = {
  abrade: 'abraded',
  strip: 'stripped and laid anew',
  'start-again': 'polished on again',
};

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

function LayerActions({ name, laid, atTop, atBottom, onMove, onRemove }: ActionsProps) {
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

function LayerControls(props: ControlsProps) {
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
              way.kind === 'wait' ? (
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
          disabled={laid || layer.coats >= MOST_COATS}
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

function wayName(way: Exclude<WayOut, { kind: 'wait' }>): string {
  switch (way.kind) {
    case 'instead':
      return `${way.product.name} instead${way.answer === 'test' ? ', after a test spot' : ''}`;
    case 'beneath':
      return `Put ${way.product.name} beneath it`;
    case 'strip':
      return `Strip the ${way.what} first`;
    case 'first':
      return `${way.what} will be ${DONE_FIRST[way.do]} before it: note it`;
  }
}

/** Cautions of what is to be laid, where it is chosen. */
function Hazards({
  products,
}: {
  readonly products: readonly (Product & { hazards?: readonly string[] | undefined })[];
}) {
  const cautions = [...new Set(products.flatMap(({ hazards }) => hazards ?? []))];
  if (cautions.length === 0) return null;
  return (
    <Part title="Before it is opened">
      <ul className="space-y-1.5 border-l-4 border-warn pl-3 text-[14px]">
        {cautions.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
        <li className="text-ink-2">The product’s own safety sheet and local rules stand above this.</li>
      </ul>
    </Part>
  );
}
