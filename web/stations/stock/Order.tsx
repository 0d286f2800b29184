import { Link } from 'react-router';
import { USUAL_CURRENCY } from '#formats/job';
import { money } from '#formats/values';
import { useReorderQuery } from '../../app/api';
import { day } from '../../ui/moments';
import { StockPage } from './StockPage';
import { amountIn } from '../../material/stock-words';

/** What all jobs to come lack together, the most pressing first. */
export function Component() {
  const { data, error } = useReorderQuery();
  const total = (data ?? []).reduce((sum, { cost }) => sum + cost, 0);
  return (
    <StockPage error={error} wide>
      {data?.length === 0 && (
        <p className="mt-5 border border-line-strong bg-sheet p-6 text-ink-2">
          Nothing is short: what is in hand, and still good on its day, covers every job that is planned, nine times in
          ten.
        </p>
      )}
      {data && data.length > 0 && (
        <>
          <p className="mt-4 text-ink-2">
            <span className="figure text-4xl text-ink">{money(total, USUAL_CURRENCY)}</span> in packs at least cost,
            after what is in hand and still good on the day of each job
          </p>
          <table className="mt-3 w-full bg-sheet text-[14.5px]">
            <thead>
              <tr className="label border-y text-left">
                <th scope="col" className="px-4 py-1.5 font-normal">
                  Order by
                </th>
                <th scope="col" className="px-3 py-1.5 font-normal">
                  Product
                </th>
                <th scope="col" className="px-3 py-1.5 font-normal">
                  Packs
                </th>
                <th scope="col" className="px-3 py-1.5 text-right font-normal">
                  Costs
                </th>
                <th scope="col" className="px-4 py-1.5 font-normal">
                  Short at
                </th>
              </tr>
            </thead>
            <tbody>
              {data.map((line) => (
                <tr key={line.of} className="border-b align-top">
                  <td className={`whitespace-nowrap px-4 py-2.5 ${line.late ? 'font-semibold text-stop' : ''}`}>
                    {line.late ? `late: was ${day(line.orderBy)}` : day(line.orderBy)}
                  </td>
                  <td className="px-3 py-2.5">
                    <Link to={`/shelf/${line.of}`} className="font-semibold underline">
                      {line.name}
                    </Link>
                    <span className="block text-[13px] text-ink-2">{amountIn(line.unit, line.amount)} short</span>
                  </td>
                  <td className="px-3 py-2.5">
                    {line.packs.map(({ size, count }) => (
                      <span key={size} className="block">
                        <strong>{count} ×</strong> {amountIn(line.unit, size)}
                      </span>
                    ))}
                    <span className="block text-[13px] text-ink-2">{amountIn(line.unit, line.leftover)} left over</span>
                  </td>
                  <td className="px-3 py-2.5 text-right">{money(line.cost, USUAL_CURRENCY)}</td>
                  <td className="px-4 py-2.5">
                    {line.jobs.map((job) => (
                      <Link key={job.id} to={`/jobs/${job.id}/quantify`} className="block underline">
                        {day(job.startAt)}, {job.title}: {amountIn(line.unit, job.short)}
                      </Link>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </StockPage>
  );
}
