import { useState } from 'react';
import type { CutterId } from '#core/film/cutters';
import type { NestCase, Nested } from '#core/film/nest';
import { filmAreaM2 } from '#core/stock';
import { money } from '#formats/values';
import { type FilmWork, filmWork, nestCaseOf, rollWidthsOf } from '#job/film';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { useNest } from './useNest';

/** Rolls of each width are tried for so long while they are compared, s. */
const COMPARE_S = 4;

interface Props {
  readonly work: FilmWork;
  readonly cutter: CutterId;
}

/** Which width to buy: the whole film nested on each for a little while. */
export function WhichRoll({ work, cutter }: Props) {
  const job = useJob('document');
  const widths = rollWidthsOf(work.product);
  const [found, setFound] = useState<readonly (Nested | undefined)[]>();
  const { state, start, stop } = useNest(setFound);
  if (widths.length < 2) return null;
  const cases = () =>
    widths.map((widthMm): NestCase => {
      const own = filmWork(job.document, () => widthMm).find(({ product }) => product.id === work.product.id)!;
      return nestCaseOf(own, { widthMm, cutter });
    });
  const shown = state.working ? state.best : (found ?? []);
  return (
    <Part title="Which roll">
      {shown.length > 0 && (
        <table className="mb-2 w-full text-[14px]">
          <tbody>
            {widths.map((widthMm, index) => {
              const nested = shown[index];
              return (
                <tr key={widthMm} className="border-b">
                  <td className="py-1">{widthMm} mm</td>
                  <td className="text-right tabular-nums">
                    {nested ? `${(nested.lengthMm / 1000).toFixed(2)} m` : '…'}
                  </td>
                  <td className="text-right tabular-nums">
                    {nested &&
                      work.moneyPerM2 !== undefined &&
                      money(work.moneyPerM2 * filmAreaM2(nested.lengthMm, widthMm), job.document.currency)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <Button onClick={() => (state.working ? stop() : start({ cases: cases(), seconds: COMPARE_S }))}>
        {state.working ? 'Stop' : 'Try each width'}
      </Button>
    </Part>
  );
}
