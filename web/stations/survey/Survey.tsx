import { FactTable, PanelName } from '../../ui/FactTable';
import { nanoid } from '@reduxjs/toolkit';
import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { areaEstimate, areaRange, totalArea } from '#core/item/geometry';
import { SUBSTRATES } from '#core/item/substrates';
import { surfaceAreaM2 } from '#core/plan/job';
import { type Surface, surfaceName } from '#formats/job';
import { addMark, addReadings } from '#job/edit';
import { errorText, useTakeThicknessMutation } from '../../app/api';
import { Part, Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { Place } from '../../net/paint';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { m2 } from '../../ui/measures';
import { ConditionPanel } from './condition/ConditionPanel';
import { ConditionWhole } from './condition/ConditionWhole';
import { type Armed, MarkLine, MarkPalette } from './condition/MarkTools';
import { CONDITION_LEGEND, conditionLens, THICKNESS_LEGEND, thicknessLens } from './condition/condition-lens';
import { Claims, DrawnPanelForm, MapSide } from './map/MapSide';
import { MapTools } from './map/MapTools';
import { type MapEditor, useMap } from './map/useMap';
import { AddSurface } from './measure/AddSurface';
import { ItemForm } from './measure/ItemForm';
import { JobForm } from './measure/JobForm';
import { SinceThen } from './measure/SinceThen';
import { SurfaceForm } from './measure/SurfaceForm';
import { kindLegend, kindLens } from './measure/kind-lens';
import { GaugeTools } from './thickness/GaugeTools';
import { ThicknessPanel, ThicknessWhole } from './thickness/ThicknessPanel';

const VIEWS = { kind: 'What it is', map: 'Map', condition: 'Condition', thickness: 'Thickness' } as const;
type View = keyof typeof VIEWS;

/** What is there: surfaces and their size, what was seen on them, and how thick their paint is. */
export function Component() {
  const job = useJob('chosen', 'document', 'draft', 'edit', 'laid', 'nameOf', 'plan');
  const { document, chosen, edit } = job;
  const [adding, setAdding] = useState(false);
  const [params, setParams] = useSearchParams();
  const view = (params.get('lens') ?? 'kind') as View;
  const [armed, setArmed] = useState<Armed>();
  const [gauge, setGauge] = useState(false);
  const [said, setSaid] = useState<string>();
  const [take] = useTakeThicknessMutation();
  const { lens, legend } = useMemo(() => {
    if (view === 'condition') return { lens: conditionLens(document.surfaces), legend: CONDITION_LEGEND };
    if (view === 'thickness') return { lens: thicknessLens(document.surfaces, chosen?.id), legend: THICKNESS_LEGEND };
    const areas = new Map(job.plan.surfaces.map(({ id, areaM2 }) => [id, areaM2]));
    return { lens: kindLens(document.surfaces, (id) => m2(areas.get(id) ?? 0)), legend: kindLegend };
  }, [document.surfaces, job.plan, view, chosen?.id]);

  const map = useMap(job, lens, view === 'map');

  const look = (next: View) =>
    setParams((before) => ({ ...Object.fromEntries(before), lens: next }), { replace: true });
  const takeReading = async (surface: Surface, at: Place) => {
    const { substrate, body, paint, id, readingsUm } = surface;
    const answer = await take({ body: { panel: id, substrate, body, paint, nth: readingsUm.length + 1 } });
    if (answer.error) return setSaid(errorText(answer.error));
    const { um, simulated } = answer.data;
    if (um === null) return setSaid(`${surfaceName(surface)}: no metal under it, the gauge reads nothing`);
    edit(addReadings([{ surface: id, um, at, source: simulated ? 'simulated' : 'instrument' }]));
    setSaid(`${surfaceName(surface)}: ${um} µm`);
  };
  const place = (id: string, at: Place) => {
    const surface = document.surfaces.find((one) => one.id === id);
    if (view === 'map') return map.place(id, at);
    if (view === 'condition' && armed) {
      edit(addMark(id, { id: nanoid(8), ...armed, at: [at[0], at[1]] }));
      return true;
    }
    if (view === 'thickness' && gauge && surface) {
      void takeReading(surface, at);
      return true;
    }
    return false;
  };
  const isArmed = view === 'map' || (view === 'condition' && armed !== undefined) || (view === 'thickness' && gauge);
  return (
    <Station
      lens={view === 'map' ? map.lens : lens}
      tool={map.tool}
      paper={map.paper}
      legend={legend}
      lensName={VIEWS[view].toLowerCase()}
      onPlace={isArmed ? place : undefined}
      headline={
        <div className="flex flex-wrap items-center gap-3">
          <Segmented
            label="Look at"
            value={view}
            options={Object.entries(VIEWS) as [View, string][]}
            onChange={(next) => next && look(next)}
          />
          {view === 'map' && <MapTools map={map} />}
          {view === 'condition' && <MarkLine armed={armed} onArm={setArmed} />}
          {view === 'thickness' && <GaugeTools armed={gauge} onArm={setGauge} said={said} />}
        </div>
      }
      beside={view === 'condition' && <MarkPalette armed={armed} onArm={setArmed} />}
    >
      <Side view={view} map={map} chosen={chosen} onAdd={() => setAdding(true)} />
      <AddSurface open={adding} onClose={() => setAdding(false)} />
    </Station>
  );
}

interface SideProps {
  readonly view: View;
  readonly map: MapEditor;
  readonly chosen: Surface | undefined;
  readonly onAdd: () => void;
}

function Side({ view, map, chosen, onAdd }: SideProps) {
  switch (view) {
    case 'map':
      if (map.drawn) return <DrawnPanelForm outline={map.drawn} onDone={() => map.putDrawn(undefined)} />;
      return chosen ? <SurfaceForm key={chosen.id} surface={chosen} /> : <MapSide />;
    case 'condition':
      return chosen ? <ConditionPanel surface={chosen} /> : <ConditionWhole />;
    case 'thickness':
      return chosen ? <ThicknessPanel surface={chosen} /> : <ThicknessWhole />;
    case 'kind':
      return chosen ? <SurfaceForm key={chosen.id} surface={chosen} /> : <Whole onAdd={onAdd} />;
  }
}

const allM2 = (surface: Surface) => surfaceAreaM2({ ...surface, curvature: surface.curvature ?? 1 }) * surface.count;

function Whole({ onAdd }: { readonly onAdd: () => void }) {
  const { document, choose } = useJob('choose', 'document');
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
      <SinceThen />
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
          <FactTable
            columns={['Surface', 'Area, 10–90 %']}
            rows={parts.map(({ surface, areaM2 }) => {
              const [from, to] = areaRange(areaEstimate(areaM2, surface.measuredBy));
              return {
                key: surface.id,
                name: (
                  <PanelName onChoose={() => choose(surface.id)}>
                    {surfaceName(surface)}
                    {surface.count > 1 && ` ×${surface.count}`}
                  </PanelName>
                ),
                cells: [
                  <span key="area">
                    {m2(areaM2)}{' '}
                    <span className="text-ink-3">
                      {from.toFixed(2)}–{to.toFixed(2)}
                    </span>
                  </span>,
                ],
              };
            })}
          />
        </Part>
      )}
      <Claims />
      <ItemForm />
      <JobForm />
    </>
  );
}
