import { useState } from 'react';
import { clearEstimateUm, judgeReadings, reserveOf } from '#core/survey/paint';
import { SUBSTRATES } from '#core/item/substrates';
import { MINUTES_PER_DAY } from '#core/measures';
import { usualMethod } from '#core/products/methods';
import type { Layer, Surface } from '#formats/job';
import { wishesOf } from '#job/choose';
import { setLayers, stripFirst } from '#job/edit';
import { judgeLayers, judgePlanned, tooDearToRemove, productsOf } from '#job/judge';
import { staysOn } from '#job/plan';
import { bySchoolsOf } from '#job/terms';
import { PanelHead, Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { um } from '../../ui/measures';
import { moment } from '../../ui/moments';
import { AddLayer } from './AddLayer';
import { Hazards } from './Hazards';
import { FoundHere } from './FoundHere';
import { LayerActions, LayerControls } from './LayerControls';
import { NotReady } from './NotReady';
import { SortableSample } from './SortableSample';
import { StackLife } from './StackLife';
import { afterWayOut, layerKey, moved, sameStack } from './stack-edits';

/** What taking the stack off again costs the paint, where that is more than it has. */
function TakingItOff({ surface }: { readonly surface: Surface }) {
  const { document, shelf, edit } = useJob('document', 'edit', 'shelf');
  const short = tooDearToRemove(document, surface, shelf);
  if (!short) return null;
  return (
    <Part title="What its paint can carry">
      {short && (
        <div className="border-l-4 border-warn pl-3 text-[14px]">
          <p>
            Taking this stack off over the years it is kept costs up to {um(short.removalsUm, 1)} of clear;{' '}
            {um(Math.max(0, short.spareUm), 1)} are above the reserve.{' '}
            {short.milder ? `Milder: ${short.milder.name}.` : 'Nothing on the shelf is milder here.'}
          </p>
          {short.milder && (
            <Button
              className="mt-1"
              onClick={() =>
                edit(
                  setLayers(
                    [surface.id],
                    [{ product: short.milder!.id, coats: 1, method: usualMethod(short.milder!) }],
                    shelf,
                  ),
                )
              }
            >
              Take {short.milder.name}
            </Button>
          )}
        </div>
      )}
    </Part>
  );
}

/** The core sample as an editor: layers on one panel, each with the answer of the rules and the way out of a refusal. */
interface StackEditorProps {
  readonly surface: Surface;
  /** The stack of this panel is taken in hand, to be laid on others by tap. */
  readonly onPickUp: (from: string, layers: readonly Layer[]) => void;
}

export function StackEditor({ surface, onPickUp }: StackEditorProps) {
  const job = useJob('at', 'document', 'edit', 'plan', 'planned', 'record', 'shelf');
  const { document, planned, plan, shelf, edit, record } = job;
  const index = document.surfaces.indexOf(surface);
  const ground = planned.surfaces[index]!;
  const products = productsOf(document.products, shelf);
  // What the workshop's schools make of a sheet is judged by, and never kept.
  const schooled = bySchoolsOf(document, products);
  const { layers } = surface;
  const judged = judgePlanned(ground, layers, plan.surfaces[index]!.coats, schooled);
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
    const before = judgeLayers(ground, layers, schooled).filter(({ answer }) => answer === 'no').length;
    const after = judgeLayers(ground, next, schooled);
    const worse = after.filter(({ answer }) => answer === 'no').length > before;
    const why = after.flatMap(({ rulings }) => rulings).find(({ answer }) => answer === 'no')?.reason;
    if (worse && why !== undefined) setRefused({ at: to, why });
    else put(next);
  };
  const twins = document.surfaces.filter(
    (other) => other.substrate === surface.substrate && other.id !== surface.id && !sameStack(other.layers, layers),
  );
  const clearUm = clearEstimateUm(surface, judgeReadings(planned.surfaces)[index]);
  return (
    <>
      <PanelHead>
        <p className="text-ink-2">{SUBSTRATES[surface.substrate].name}</p>
      </PanelHead>
      <NotReady only={surface.id} />
      <Part title="The stack">
        <AddLayer
          ground={ground}
          layers={layers}
          products={products}
          schooled={schooled}
          onAdd={(product) => put([...layers, { product: product.id, coats: 1, method: usualMethod(product) }])}
        />
        <div className="mt-3">
          <SortableSample
            fixed={new Set(layers.flatMap(({ product }, at) => (laid.has(at) ? [layerKey(product, at)] : [])))}
            onDrop={drop}
            refused={refused}
            substrate={surface.substrate}
            clearUm={clearUm}
            reserveUm={document.prepare?.reserveUm ?? reserveOf(surface)}
            existing={staysOn(document, surface)}
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
                      if (way.kind === 'renew-top') edit(stripFirst([surface.id], 'top'));
                      else if (way.kind === 'strip' && at === 0) edit(stripFirst([surface.id]));
                      else put(afterWayOut(layers, at, way));
                    }}
                    dateAfter={(days) => moment(job.at(days * MINUTES_PER_DAY))}
                  />
                ),
              };
            })}
          />
        </div>
        <FoundHere surface={surface} started={laid.size > 0} />
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
      <TakingItOff surface={surface} />
      <StackLife
        layers={layers.map(({ product, coats }) => ({ product: products.find(({ id }) => id === product)!, coats }))}
        exposure={wishesOf(document).exposure}
      />
      <Hazards products={layers.map(({ product }) => products.find(({ id }) => id === product)!)} />
    </>
  );
}
