import { type ReactNode, useState } from 'react';
import { FAMILIES } from '#core/products/families';
import { METHOD_IDS, METHODS, usualMethod } from '#core/products/methods';
import { ANSWERS } from '#core/products/sheets';
import type { Layer } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';
import { setLayers } from '#job/edit';
import { judgeLayers, productsOf } from '#job/judge';
import { bySchoolsOf } from '#job/terms';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { AnswerMark } from '../../ui/Mark';

interface Props {
  readonly surface: string;
  /** The layer on it that comes next; nothing of it is begun. */
  readonly layer: number;
  readonly onDone: () => void;
}

/** Another product, or another way to lay it, than planned: the rules are asked first, and what they refuse is not offered. */
export function LayOtherwise({ surface, layer, onDone }: Props) {
  const job = useJob('nameOf');
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button glove onClick={() => setOpen(true)}>
        Otherwise
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} title={`${job.nameOf(surface)} with`} wide>
        {open && (
          <Ways
            surface={surface}
            layer={layer}
            onDone={() => {
              setOpen(false);
              onDone();
            }}
          />
        )}
      </Dialog>
    </>
  );
}

function Ways({ surface, layer, onDone }: Props) {
  const job = useJob('document', 'edit', 'planned', 'shelf', 'stock');
  const { document, planned, shelf, stock } = job;
  const own = document.surfaces.find(({ id }) => id === surface)!;
  const ground = planned.surfaces.find(({ id }) => id === surface)!;
  const now = own.layers[layer]!;
  const known = productsOf(document.products, shelf);
  const schooled = bySchoolsOf(document, known);
  const changed = (changes: Partial<Layer>, above: readonly Layer[] = own.layers.slice(layer + 1)): Layer[] => [
    ...own.layers.slice(0, layer),
    { ...now, ...changes },
    ...above,
  ];
  const take = (layers: readonly Layer[]) => {
    job.edit(setLayers([surface], layers, shelf));
    onDone();
  };
  const bottles = (id: string) =>
    stock?.kinds.find(({ of }) => of === id)?.things.filter(({ past, remaining }) => !past && remaining > 0).length ??
    0;
  const offers = known
    .filter(({ id, family }) => id !== now.product && family !== 'film')
    .flatMap((product) => {
      const instead = { product: product.id, method: usualMethod(product) };
      // What was to lie over it may want just that beneath: then it is the last.
      const stacks = [changed(instead), changed(instead, [])];
      for (const layers of stacks) {
        const judged = judgeLayers(ground, layers, schooled).slice(layer);
        const worst = ANSWERS.findLast((answer) => judged.some((each) => each.answer === answer))!;
        const isLast = layers.length === layer + 1 && own.layers.length > layers.length;
        // A base without its top is no stack.
        const lacksTop = isLast && product.family === 'ceramic-base';
        if (worst !== 'no' && !lacksTop)
          return [{ product, layers, judged, worst, isLast, there: bottles(product.id) }];
      }
      return [];
    })
    .sort((a, b) => b.there - a.there || ANSWERS.indexOf(a.worst) - ANSWERS.indexOf(b.worst));
  const current = known.find(({ id }) => id === now.product);
  return (
    <>
      {current && (
        <>
          <p className="mb-2 text-lg">{current.name}, laid another way</p>
          <div className="mb-4 flex flex-wrap gap-2">
            {METHOD_IDS.map((method) => (
              <Button
                key={method}
                glove
                aria-pressed={method === now.method}
                look={method === now.method ? 'main' : 'plain'}
                onClick={() => take(changed({ method }))}
              >
                {METHODS[method].name}
              </Button>
            ))}
          </div>
        </>
      )}
      <p className="mb-2 text-lg">Another product in its place</p>
      <ul className="space-y-2">
        {offers.map(({ product, layers, judged, worst, isLast, there }) => (
          <li key={product.id}>
            <Offer product={product} reason={judged.flatMap(({ rulings }) => rulings)[0]?.reason} isLast={isLast}>
              <AnswerMark answer={worst} />
              <span className={there > 0 ? '' : 'text-warn'}>{there > 0 ? 'in stock' : 'none in stock'}</span>
              <Button glove onClick={() => take(layers)}>
                Take it
              </Button>
            </Offer>
          </li>
        ))}
        {offers.length === 0 && <li className="text-ink-2">The rules allow no other product of the shelf here.</li>}
      </ul>
      <p className="mt-3 text-ink-2">
        The plan of this panel is changed; what the rules refuse here is not offered. What is begun stays as it is.
      </p>
    </>
  );
}

function Offer({
  product,
  reason,
  isLast,
  children,
}: {
  readonly product: Pick<ProductSheet, 'name' | 'family'>;
  readonly reason: string | undefined;
  readonly isLast: boolean;
  readonly children: ReactNode;
}) {
  return (
    <div className="flex flex-wrap items-center gap-3 border-t pt-2">
      <p className="min-w-48 flex-1">
        <strong className="text-lg">{product.name}</strong>{' '}
        <span className="text-ink-2">{FAMILIES[product.family].name}</span>
        {isLast && <span className="block font-semibold">as the last layer: nothing planned goes over it</span>}
        {reason && <span className="block text-[15px] text-ink-2">{reason}</span>}
      </p>
      {children}
    </div>
  );
}
