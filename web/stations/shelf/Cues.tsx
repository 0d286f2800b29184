import { nanoid } from '@reduxjs/toolkit';
import { Suspense } from 'react';
import type { ProductCues } from '#formats/log';
import { errorText, useAppendLogMutation, useProductCuesQuery } from '../../app/api';
import { Button } from '../../ui/Button';
import { moment, nowInstant, span } from '../../ui/moments';
import { later } from '../../ui/later';

const CuesChart = later(() => import('./CuesChart'));

/** So many of the latest cues are listed; the chart has them all. */
const LISTED = 12;

/** When the cue of a product really came, beside when it was expected, and what that has taught. */
export function Cues({ product }: { readonly product: string }) {
  const { data } = useProductCuesQuery({ id: product });
  const [forget, { error }] = useAppendLogMutation();
  if (!data) return null;
  return (
    <section aria-label="Cues seen" className="mt-6 border bg-sheet p-4">
      <h2 className="font-semibold">Cues seen</h2>
      {data.jobs.length === 0 ? (
        <p className="text-ink-2">
          None yet. Tap “Cue seen” at the bay, and the next window of this product is the better for it.
        </p>
      ) : (
        <>
          <p className="text-ink-2">{learnedInWords(data)}</p>
          <div className="mt-2 h-44">
            <Suspense fallback={<p className="text-ink-3">Drawing …</p>}>
              <CuesChart cues={data} />
            </Suspense>
          </div>
          <ul className="mt-2 text-[14px]">
            {latest(data).map(({ jobId, title, seen }) => (
              <li key={seen.entry} className="flex items-center justify-between gap-2 border-t py-1">
                <span>
                  {seen.surface}: {span(seen.seenMin)}
                  {seen.expectedMin !== null && ` of ${span(seen.expectedMin)}`}
                  <span className="block text-ink-2">
                    {title}, {moment(seen.at)}
                  </span>
                </span>
                <Button
                  look="quiet"
                  onClick={() =>
                    void forget({
                      id: jobId,
                      body: {
                        id: nanoid(),
                        at: nowInstant(),
                        entry: { type: 'set-aside', entry: seen.entry, reason: 'no cue of this product' },
                      },
                    })
                  }
                >
                  Forget
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      {error && (
        <p role="alert" className="mt-2 text-stop">
          {errorText(error)}
        </p>
      )}
    </section>
  );
}

function learnedInWords({ factor, sigma, jobs }: ProductCues): string {
  const count = jobs.reduce((sum, { cues }) => sum + cues.length, 0);
  const pace =
    Math.abs(Math.log(factor)) < 0.02
      ? 'as the sheet says'
      : factor < 1
        ? `${(1 / factor).toFixed(2)} times as fast as the sheet`
        : `${factor.toFixed(2)} times as slow as the sheet`;
  return `By ${count} ${count === 1 ? 'cue' : 'cues'} it flashes ${pace}, ± ${Math.round(100 * sigma)} % the next time.`;
}

const latest = ({ jobs }: ProductCues) =>
  jobs
    .flatMap(({ jobId, title, cues }) => cues.flatMap(({ seen }) => (seen ? [{ jobId, title, seen }] : [])))
    .toSorted((a, b) => Date.parse(b.seen.at) - Date.parse(a.seen.at))
    .slice(0, LISTED);
