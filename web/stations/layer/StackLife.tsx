import { expectedLife, type Exposure, stackLife } from '#core/layers/life';
import type { Product } from '#core/products/sheets';
import { Part } from '../../job/Station';

interface Props {
  /** Bottom first. */
  readonly layers: readonly { readonly product: Product; readonly coats: number }[];
  readonly exposure: Exposure;
}

/** Fewer months than this are not told of. */
const WORTH_A_WORD = 0.5;

/** How long the stack of a panel serves: each layer against its rating, what they are together, and what costs it most. */
export function StackLife({ layers, exposure }: Props) {
  if (layers.length === 0) return null;
  const lives = layers.map(({ product, coats }) => ({ product, coats, life: expectedLife(product, exposure) }));
  const longest = lives.reduce((a, b) => (b.life.months >= a.life.months ? b : a));
  const whole = stackLife(
    layers.map(({ product, coats }) => ({ ...product, coats })),
    exposure,
  );
  const most = Math.max(...lives.map(({ life }) => life.ratedMonths), whole.highMonths);
  const share = (months: number) => `${(100 * months) / most}%`;
  const added = whole.months - longest.life.months;
  return (
    <Part title={`How long it lasts: plan for ${months(whole.lowMonths)} to ${months(whole.highMonths)} months`}>
      <ul className="space-y-2 text-[13.5px]">
        {[...lives].reverse().map(({ product, life }, index) => (
          <li key={`${product.id} ${index}`}>
            <span className="flex justify-between gap-2">
              <span>{product.name}</span>
              <span className="whitespace-nowrap">
                {months(life.lowMonths)} to {months(life.highMonths)}{' '}
                <span className="text-ink-3">
                  of {months(life.ratedMonths)} {life.ratedBy === 'sheet' ? 'rated' : 'usual'}
                </span>
              </span>
            </span>
            <span className="relative mt-0.5 block h-3 bg-tint-1" aria-hidden>
              <span className="absolute inset-y-0 left-0 bg-tint-4" style={{ width: share(life.lowMonths) }} />
              <span
                className="absolute inset-y-0 bg-tint-3"
                style={{ left: share(life.lowMonths), width: share(life.highMonths - life.lowMonths) }}
              />
              <span
                className="absolute inset-y-0 w-0.5 bg-ink-2"
                style={{ left: `calc(${share(life.ratedMonths)} - 2px)` }}
              />
            </span>
          </li>
        ))}
      </ul>
      <ul aria-label={`Why ${longest.product.name} lasts so long`} className="mt-3 text-[13.5px]">
        {longest.life.factors
          .filter(({ costsMonths }) => Math.abs(costsMonths) >= WORTH_A_WORD)
          .map(({ name, costsMonths }) => (
            <li key={name} className="flex justify-between gap-2 border-t py-0.5 first:border-t-0">
              <span>{name}</span>
              <span className={costsMonths > 0 ? '' : 'text-ok'}>
                {costsMonths > 0 ? `costs ${months(costsMonths)}` : `gains ${months(-costsMonths)}`} months
              </span>
            </li>
          ))}
        {added >= WORTH_A_WORD && (
          <li className="flex justify-between gap-2 border-t py-0.5">
            <span>{layers.length > 1 ? 'Layers above wear instead of it' : 'A second coat'}</span>
            <span className="text-ok">gains {months(added)} months</span>
          </li>
        )}
      </ul>
    </Part>
  );
}

const months = (value: number) => value.toFixed(value < 3 ? 1 : 0);
