import { Link } from 'react-router';
import { useReorderQuery } from '../../app/api';
import { day } from '../../ui/moments';
import { amountIn } from '../../material/stock-words';

/** What the jobs to come are short of, by the day it has to be ordered. */
export function ToOrder() {
  const { data = [] } = useReorderQuery();
  if (data.length === 0) return null;
  return (
    <section aria-labelledby="to-order" className="mt-8">
      <h2 id="to-order" className="label">
        To order
      </h2>
      <ul className="mt-2 divide-y border-y bg-sheet">
        {data.map((line) => (
          <li key={line.of}>
            <Link to="/stock/order" className="flex flex-wrap items-baseline gap-x-4 px-5 py-2.5 hover:bg-tint-1">
              <span className={`w-40 ${line.late ? 'font-semibold text-stop' : 'text-ink-2'}`}>
                {line.late ? `late: was ${day(line.orderBy)}` : `by ${day(line.orderBy)}`}
              </span>
              <strong className="min-w-0 flex-1">{line.name}</strong>
              <span className="text-ink-2">
                {line.packs.map(({ size, count }) => `${count} × ${amountIn(line.unit, size)}`).join(', ')}, short at{' '}
                {line.jobs.map(({ title }) => title).join('; ')}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
