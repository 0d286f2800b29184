import { mixesFor } from '#core/film/mixes';
import type { FilmWork } from '#job/film';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';

const USUAL_UM = 200;
const ml = (value: number) => `${Math.round(value)} ml`;

/** What the film floats on and is set with, for the air it is laid in. */
export function Mixes({ work }: { readonly work: readonly FilmWork[] }) {
  const job = useJob('document');
  const airC = job.document.ambient[0]!.airC;
  if (work.every(({ areaM2 }) => areaM2 <= 0)) return null;
  return (
    <Part title={`Mixes at ${Math.round(airC)} °C`}>
      {work.map(({ product, areaM2 }) => {
        const { slip, tack } = mixesFor(areaM2, airC, product.film?.thicknessUm ?? USUAL_UM);
        return (
          <dl key={product.id} className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            <dt className="label">Slip</dt>
            <dd>
              {ml(slip.totalMl)}: {ml(slip.soapMl)} of soap in {ml(slip.waterMl)} of water
            </dd>
            <dt className="label">Tack</dt>
            <dd>
              {ml(tack.totalMl)}: {ml(tack.alcoholMl)} of alcohol in {ml(tack.waterMl)} of water
            </dd>
          </dl>
        );
      })}
      <p className="mt-2 border-l-4 border-warn bg-warn-soft px-3 py-2 text-[13px]">
        Water makes the floor slippery: wipe it as you go and keep leads off it. Alcohol burns: no flame, no heat gun
        over wet tack, fresh air, by its safety sheet.
      </p>
    </Part>
  );
}
