import { OctagonX } from 'lucide-react';
import { Link } from 'react-router';
import { amountIn } from './stock-words';
import type { Short } from './usePickList';

/** Protective equipment that is short is no note: nobody begins. */
export function DoNotBegin({ unsafe, bay = false }: { readonly unsafe: readonly Short[]; readonly bay?: boolean }) {
  return (
    <div role="alert" className="mb-4 flex gap-4 border-2 border-stop bg-stop-soft px-5 py-3">
      <OctagonX size={40} className="shrink-0 text-stop" aria-hidden />
      <div>
        <p className={`figure text-stop ${bay ? 'text-6xl' : 'text-2xl'}`}>Do not begin</p>
        {unsafe.map(({ line, has }) => (
          <p key={line.key} className={bay ? 'mt-2 text-3xl' : 'text-lg'}>
            {line.what}: {amountIn(line.unit, line.amount)} wanted,{' '}
            {has > 0 ? `only ${amountIn(line.unit, has)}` : 'none'} in stock.
          </p>
        ))}
        <p className="text-ink-2">
          Get them, or tick the line where they lie ready and nobody has counted them.{' '}
          <Link className="underline" to="/stock/take">
            Count what is there
          </Link>
        </p>
      </div>
    </div>
  );
}
