import { TriangleAlert } from 'lucide-react';
import type { ProductSheet } from '#formats/shelf';
import { ABOVE_THIS, cautionsOf } from '../../material/cautions';

/** Before the first section of a product: what to wear and what to mind, where the bottle is opened. */
export function FirstCaution({
  product,
}: {
  readonly product: Parameters<typeof cautionsOf>[0] & Pick<ProductSheet, 'name'>;
}) {
  return (
    <div
      role="note"
      aria-label={`Before ${product.name} is opened`}
      className="mt-2 flex items-start gap-3 border-l-4 border-warn bg-warn-soft px-3 py-2 text-lg"
    >
      <TriangleAlert size={24} className="mt-0.5 shrink-0 text-warn" aria-hidden />
      <p>
        {cautionsOf(product).join(' ')} <span className="text-base text-ink-2">{ABOVE_THIS}</span>
      </p>
    </div>
  );
}
