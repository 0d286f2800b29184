import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { areaEstimate, areaRange, totalArea } from '#core/geometry';
import { surfaceAreaM2 } from '#core/plan';
import { SUBSTRATES } from '#core/substrates';
import { type Surface, surfaceName } from '#formats';
import { Part, Station } from '../../job/Station';
import { type JobView, useJob } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { m2 } from '../../ui/numbers';
import { AddSurface } from './AddSurface';
import { JobForm } from './JobForm';
import { kindLegend, kindLens } from './kind-lens';
import { SurfaceForm } from './SurfaceForm';

/** What is there: surfaces, what they are made of, and how large they are, with how sure that is. */
export function Component() {
  const job = useJob();
  const { document, chosen } = job;
  const [adding, setAdding] = useState(false);
  const lens = useMemo(() => {
    const areas = new Map(job.plan.surfaces.map(({ id, areaM2 }) => [id, areaM2]));
    return kindLens(document.surfaces, (id) => m2(areas.get(id) ?? 0));
  }, [document.surfaces, job.plan]);
  return (
    <Station lens={lens} legend={kindLegend} lensName="by kind of surface">
      {chosen ? <SurfaceForm key={chosen.id} surface={chosen} /> : <Whole job={job} onAdd={() => setAdding(true)} />}
      <AddSurface open={adding} onClose={() => setAdding(false)} />
    </Station>
  );
}

const allM2 = (surface: Surface) => surfaceAreaM2({ ...surface, curvature: surface.curvature ?? 1 }) * surface.count;

function Whole({ job, onAdd }: { readonly job: JobView; readonly onAdd: () => void }) {
  const { document, choose } = job;
  const parts = document.surfaces.map((surface) => ({ surface, areaM2: allM2(surface) }));
  const total = totalArea(parts.map(({ surface, areaM2 }) => ({ areaM2, source: surface.measuredBy })));
  const [low, high] = areaRange(total);
  const kinds = [...new Set(document.surfaces.map(({ substrate }) => substrate))].map((substrate) => {
    const own = parts.filter(({ surface }) => surface.substrate === substrate);
    return { substrate, count: own.length, areaM2: own.reduce((sum, part) => sum + part.areaM2, 0) };
  });
  const byTemplate = document.surfaces.some(({ measuredBy }) => measuredBy === 'template');
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="label">Whole item</h2>
        <p className="figure text-4xl">{m2(total.areaM2)}</p>
        {parts.length > 0 && (
          <p className="text-ink-2">
            most likely between {m2(low)} and {m2(high)}
            {byTemplate ? '; the template’s own error is shared by all its panels' : ''}
          </p>
        )}
        <Button look="main" className="mt-3" onClick={onAdd}>
          <Plus size={17} /> Add a surface by tape
        </Button>
      </section>
      {kinds.length > 0 && (
        <Part title="By what it is made of">
          <table className="w-full text-[14px]">
            <tbody>
              {kinds
                .sort((a, b) => b.areaM2 - a.areaM2)
                .map(({ substrate, count, areaM2 }) => (
                  <tr key={substrate} className="border-t first:border-t-0">
                    <th scope="row" className="py-1.5 text-left font-normal">
                      {SUBSTRATES[substrate].name}
                    </th>
                    <td className="text-right text-ink-3">{count}</td>
                    <td className="w-24 text-right">{m2(areaM2)}</td>
                  </tr>
                ))}
            </tbody>
          </table>
        </Part>
      )}
      {parts.some(({ surface }) => surface.note) && (
        <Part title="Notes from the walk-round">
          <ul className="space-y-2 text-[14px]">
            {document.surfaces
              .filter(({ note }) => note)
              .map((surface) => (
                <li key={surface.id}>
                  <button type="button" className="font-semibold underline" onClick={() => choose(surface.id)}>
                    {surfaceName(surface)}
                  </button>
                  <span className="block text-ink-2">{surface.note}</span>
                </li>
              ))}
          </ul>
        </Part>
      )}
      {parts.length > 0 && (
        <Part title="All surfaces">
          <table className="w-full text-[14px]">
            <thead className="label text-left">
              <tr>
                <th scope="col" className="font-normal">
                  Surface
                </th>
                <th scope="col" className="text-right font-normal">
                  Area, 10–90 %
                </th>
              </tr>
            </thead>
            <tbody>
              {parts.map(({ surface, areaM2 }) => {
                const [from, to] = areaRange(areaEstimate(areaM2, surface.measuredBy));
                return (
                  <tr key={surface.id} className="border-t">
                    <th scope="row" className="py-1 text-left font-normal">
                      <button
                        type="button"
                        className="hover:text-over hover:underline"
                        onClick={() => choose(surface.id)}
                      >
                        {surfaceName(surface)}
                        {surface.count > 1 && ` ×${surface.count}`}
                      </button>
                    </th>
                    <td className="text-right">
                      {m2(areaM2)}{' '}
                      <span className="text-ink-3">
                        {from.toFixed(2)}–{to.toFixed(2)}
                      </span>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </Part>
      )}
      <JobForm job={job} />
    </>
  );
}
