import { Plus } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { FAMILIES } from '#core/products/families';
import { ANSWERS, type Product } from '#core/products/sheets';
import type { InputSurface } from '#core/plan/job';
import type { Layer } from '#formats/job';
import { judgeLayers } from '#job/judge';
import { AnswerMark } from '../../ui/Mark';

interface Props<P extends Product> {
  readonly ground: InputSurface;
  readonly layers: readonly Layer[];
  readonly products: readonly P[];
  /** The same as the workshop's schools have them: by these they are judged. */
  readonly schooled: readonly Product[];
  readonly onAdd: (product: P) => void;
}

/** The shelf as it answers for this panel, on top of what is there: allowed first, each refusal with its reason. */
export function AddLayer<P extends Product>({ ground, layers, products, schooled, onAdd }: Props<P>) {
  const [open, setOpen] = useState(false);
  const offers = open
    ? products
        .map((product) => ({
          product,
          judgement: judgeLayers(ground, [...layers, { product: product.id, coats: 1 }], schooled).at(-1)!,
        }))
        .sort((a, b) => ANSWERS.indexOf(a.judgement.answer) - ANSWERS.indexOf(b.judgement.answer))
    : [];
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="inline-flex min-h-10 w-full items-center justify-center gap-2 rounded bg-over font-semibold text-over-ink hover:brightness-110">
        <Plus size={17} /> Add a layer on top
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={12}
          className="z-50 max-h-[min(30rem,70vh)] w-96 overflow-auto border border-line-strong bg-sheet shadow-lg"
        >
          <ul aria-label="Products">
            {offers.map(({ product, judgement }) => (
              <li key={product.id} className="border-b last:border-b-0">
                <button
                  type="button"
                  className="block w-full px-4 py-2.5 text-left hover:bg-tint-1"
                  onClick={() => {
                    onAdd(product);
                    setOpen(false);
                  }}
                >
                  <span className="flex items-baseline justify-between gap-3">
                    <strong>{product.name}</strong>
                    <AnswerMark answer={judgement.answer} />
                  </span>
                  <span className="block text-[13px] text-ink-2">{FAMILIES[product.family].name}</span>
                  {judgement.rulings[0] && (
                    <span className="block text-[13px] leading-snug text-ink-2">{judgement.rulings[0].reason}</span>
                  )}
                </button>
              </li>
            ))}
            {offers.length === 0 && <li className="p-4 text-ink-2">The shelf is empty: add a sheet under Shelf.</li>}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
