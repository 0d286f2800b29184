import { judgeReadings } from '#core/paint';
import { type Surface, surfaceName } from '#formats';
import { changeSurface } from '../../draft/edits';
import { PanelHead, Part } from '../../job/Station';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { NumbersField } from './ShapeForm';

const VERDICT_WORDS = {
  usual: 'as usual',
  thin: 'thin',
  refinished: 'refinished',
  filler: 'filler',
  'not-readable': 'not readable',
} as const;

/** The readings of one panel, and how they stand to the whole item. */
export function ThicknessPanel({ job, surface }: { readonly job: JobView; readonly surface: Surface }) {
  const { document, edit } = job;
  const paint = judgeReadings(document.surfaces)[document.surfaces.indexOf(surface)]!;
  const put = (readingsUm: number[]) => edit(changeSurface(surface.id, { readingsUm }));
  return (
    <>
      <PanelHead>
        {paint.medianUm !== undefined && (
          <p className="mt-1">
            <span className="figure text-3xl">{paint.medianUm.toFixed(0)} µm</span>{' '}
            <span className="text-ink-2">
              median of {paint.count}, spread {paint.spreadUm!.toFixed(0)}
            </span>
          </p>
        )}
      </PanelHead>
      <Part title="Readings">
        {paint.verdict === 'not-readable' && (
          <p className="mb-2 text-[14px] text-warn">
            A gauge reads coats on metal only: what it says here is kept, but not counted.
          </p>
        )}
        {paint.robustZ !== undefined && (
          <p className="mb-2 text-[14px] text-ink-2">
            Against the item: {paint.robustZ > 0 ? '+' : ''}
            {paint.robustZ.toFixed(1)} robust deviations, so{' '}
            <strong className="text-ink">{VERDICT_WORDS[paint.verdict]}</strong>.
          </p>
        )}
        <NumbersField
          label="µm, in the order they were taken"
          numbers={surface.readingsUm}
          onChange={(readings) => put(readings.filter((um) => um > 0))}
        />
        <div className="mt-2 flex gap-2">
          <Button disabled={surface.readingsUm.length === 0} onClick={() => put(surface.readingsUm.slice(0, -1))}>
            Take back the last
          </Button>
        </div>
      </Part>
    </>
  );
}

export function ThicknessWhole({ job }: { readonly job: JobView }) {
  const { document, choose } = job;
  const judged = judgeReadings(document.surfaces)
    .map((paint, index) => ({ paint, surface: document.surfaces[index]! }))
    .filter(({ paint }) => paint.count > 0);
  const count = judged.reduce((sum, { paint }) => sum + paint.count, 0);
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="figure text-xl">
          {count === 0 ? 'Nothing is read yet' : `${count} readings on ${judged.length} panels`}
        </h2>
        <p className="mt-1 text-[14px] text-ink-2">
          Thin is under 80 µm or far below the item; refinished over 180 or far above it; filler over 400.
        </p>
      </section>
      {judged.length > 0 && (
        <Part title="Panel by panel">
          <table className="w-full text-[14px]">
            <thead className="label text-left">
              <tr>
                <th scope="col" className="font-normal">
                  Panel
                </th>
                <th scope="col" className="text-right font-normal">
                  Median
                </th>
                <th scope="col" className="text-right font-normal">
                  Spread
                </th>
                <th scope="col" className="text-right font-normal">
                  Verdict
                </th>
              </tr>
            </thead>
            <tbody>
              {judged.map(({ paint, surface }) => (
                <tr key={surface.id} className="border-t">
                  <th scope="row" className="py-1 text-left font-normal">
                    <button
                      type="button"
                      className="hover:text-over hover:underline"
                      onClick={() => choose(surface.id)}
                    >
                      {surfaceName(surface)}
                    </button>
                  </th>
                  <td className="text-right">{paint.medianUm?.toFixed(0) ?? ''}</td>
                  <td className="text-right">{paint.spreadUm?.toFixed(0) ?? ''}</td>
                  <td className={`text-right ${paint.verdict === 'usual' ? 'text-ink-2' : 'font-semibold text-warn'}`}>
                    {VERDICT_WORDS[paint.verdict]}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Part>
      )}
    </>
  );
}
