import type { Product } from '#core/products/sheets';
import { ABOVE_THIS, cautionsOf } from '../../material/cautions';
import { Part } from '../../job/Station';

/** Cautions of what is to be laid, where it is chosen. */
export function Hazards({
  products,
}: {
  readonly products: readonly (Product & { hazards?: readonly string[] | undefined })[];
}) {
  const cautions = [...new Set(products.flatMap(cautionsOf))];
  if (cautions.length === 0) return null;
  return (
    <Part title="Before it is opened">
      <ul className="space-y-1.5 border-l-4 border-warn pl-3 text-[14px]">
        {cautions.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
        <li className="text-ink-2">{ABOVE_THIS}</li>
      </ul>
    </Part>
  );
}
