import { useState } from 'react';
import { boundingBox, type Point, polygonAreaM2 } from '#core/item/geometry';
import { arrange } from '#core/item/nets';
import type { SubstrateId } from '#core/item/substrates';
import { type Drawing, DrawingError, drawingSizeMm, type DrawingUnit } from '#formats/drawings';
import { addDrawn } from '#job/edit';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { SelectField } from '../../../ui/SelectField';
import { m2 } from '../../../ui/measures';
import { substrateOptions } from '../measure/MaterialPart';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
}

/** Lines of a drawing that are no panels by custom. */
const NOT_PANELS = ['linework', 'defpoints'];
const UNIT_NAMES: readonly (readonly [DrawingUnit, string])[] = [
  ['mm', 'millimetres'],
  ['cm', 'centimetres'],
  ['m', 'metres'],
  ['in', 'inches'],
  ['ft', 'feet'],
  ['px', 'pixels of a screen'],
  ['pt', 'points'],
];
const LARGEST_FILE = 30e6;
const SHEET_GAP_MM = 300;

/** The readers are fetched when the first drawing is opened. */
async function readDrawing(name: string, text: string, unit?: DrawingUnit): Promise<Drawing> {
  if (/\.dxf$/i.test(name)) return (await import('#formats/drawings/dxf')).readOutlinesDxf(text, unit);
  if (/\.svg$/i.test(name)) return (await import('#formats/drawings/svg')).readOutlinesSvg(text, unit);
  throw new DrawingError('SVG and DXF are read; save the drawing as one of them.');
}

/** Closed outlines of a drawing become panels. */
export function ImportOutlines({ open, onClose }: Props) {
  const job = useJob('edit');
  const [file, setFile] = useState<{ readonly name: string; readonly text: string }>();
  const [drawing, setDrawing] = useState<Drawing>();
  const [trouble, setTrouble] = useState<string>();
  const [off, setOff] = useState<ReadonlySet<string>>(new Set(NOT_PANELS));
  const [substrate, setSubstrate] = useState<SubstrateId>('clear-gloss');

  const look = async (next: { name: string; text: string }, unit?: DrawingUnit) => {
    setTrouble(undefined);
    try {
      setDrawing(await readDrawing(next.name, next.text, unit));
    } catch (error) {
      setDrawing(undefined);
      setTrouble(error instanceof DrawingError ? error.message : 'This drawing cannot be read.');
    }
  };
  const choose = async (chosen: File) => {
    if (chosen.size > LARGEST_FILE)
      return setTrouble('The file is larger than 30 MB; leave out of it what is no outline.');
    const next = { name: chosen.name, text: await chosen.text() };
    setFile(next);
    await look(next);
  };
  const end = () => {
    setFile(undefined);
    setDrawing(undefined);
    setTrouble(undefined);
    onClose();
  };
  const layers = [...new Set(drawing?.outlines.map(({ layer }) => layer))];
  const taken = drawing?.outlines.filter(({ layer }) => !off.has(layer)) ?? [];
  const take = () => {
    job.edit((draft) => {
      const { box, panels } = arrange(draft.document);
      const own = boundingBox(taken.flatMap(({ pointsMm }) => pointsMm));
      // Below what is on the sheet already; the drawing's own places among each other stay.
      const [dx, dy] =
        panels.length > 0 ? [box.minX - own.minX, box.maxY + SHEET_GAP_MM + own.maxY] : [-own.minX, own.maxY];
      return taken.reduce(
        (before, { name, pointsMm }) =>
          addDrawn(before, {
            name,
            substrate,
            outline: pointsMm.map(([x, y]): Point => [x + dx, dy - y]),
            measuredBy: 'trace',
          }),
        draft,
      );
    });
    end();
  };
  return (
    <Dialog
      open={open}
      onClose={end}
      wide
      title="Panels from a drawing"
      description="Closed outlines of an SVG or DXF file, with its layers and its unit."
    >
      <input
        type="file"
        accept=".svg,.dxf,image/svg+xml"
        aria-label="Drawing"
        className="text-[14px]"
        onChange={({ target }) => {
          const [chosen] = target.files ?? [];
          if (chosen) void choose(chosen);
        }}
      />
      {trouble && (
        <p role="alert" className="mt-3 border-l-4 border-stop bg-stop-soft px-3 py-2">
          {trouble}
        </p>
      )}
      {drawing && file && (
        <div className="mt-4 grid gap-4 sm:grid-cols-[1fr_15rem]">
          <Preview drawing={drawing} off={off} />
          <div className="space-y-3">
            <SelectField
              label={drawing.unitSaid ? 'Its unit' : 'Its unit is not said; it is'}
              value={drawing.unit}
              options={UNIT_NAMES}
              onChange={(unit) => void look(file, unit)}
            />
            <Size drawing={drawing} />
            <SelectField label="Made of" value={substrate} options={substrateOptions} onChange={setSubstrate} />
            {layers.length > 1 && (
              <fieldset>
                <legend className="label">Layers taken</legend>
                <div className="max-h-40 overflow-auto">
                  {layers.map((layer) => (
                    <label key={layer} className="flex min-h-7 items-center gap-2 text-[14px]">
                      <input
                        type="checkbox"
                        className="size-4 accent-(--over)"
                        checked={!off.has(layer)}
                        onChange={() => setOff(toggled(off, layer))}
                      />
                      {layer || 'no layer'}
                    </label>
                  ))}
                </div>
              </fieldset>
            )}
          </div>
          <LeftOutList drawing={drawing} />
          <div className="sm:col-span-2">
            <Button look="main" disabled={taken.length === 0} onClick={take}>
              Take in {taken.length === 1 ? 'one panel' : `${taken.length} panels`}
            </Button>{' '}
            <span className="text-ink-2">
              {m2(taken.reduce((sum, { pointsMm }) => sum + polygonAreaM2(pointsMm), 0))} together
            </span>
          </div>
        </div>
      )}
    </Dialog>
  );
}

function toggled(set: ReadonlySet<string>, value: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(value)) next.add(value);
  return next;
}

function Size({ drawing }: { readonly drawing: Drawing }) {
  const { widthMm, heightMm } = drawingSizeMm(drawing);
  const metres = (mm: number) => (mm / 1000).toFixed(mm < 100 ? 3 : 2);
  const odd = Math.max(widthMm, heightMm) < 50 || Math.max(widthMm, heightMm) > 60_000;
  return (
    <p className="text-[14px]">
      {metres(widthMm)} × {metres(heightMm)} m over all.
      {odd && <strong className="block text-warn">That is hardly an item: is the unit right?</strong>}
    </p>
  );
}

function LeftOutList({ drawing: { leftOut } }: { readonly drawing: Drawing }) {
  if (leftOut.length === 0) return null;
  return (
    <div className="border-l-4 border-warn bg-warn-soft px-3 py-2 text-[14px] sm:col-span-2">
      <p className="font-semibold">Left out:</p>
      <ul className="max-h-32 overflow-auto">
        {leftOut.map(({ name, layer, why, atMm }, index) => (
          <li key={index}>
            {name}
            {layer && layer !== name && ` on ${layer}`} {why}, at {atMm[0]}, {atMm[1]} mm
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The drawing in small: what is taken, what is off, and where the left-out ones are. */
function Preview({ drawing, off }: { readonly drawing: Drawing; readonly off: ReadonlySet<string> }) {
  const { outlines, leftOut } = drawing;
  const points = [...outlines.flatMap(({ pointsMm }) => pointsMm), ...leftOut.map(({ atMm }) => atMm)];
  if (points.length === 0) return <p className="text-ink-2">There is no closed outline in it.</p>;
  const { minX, minY, maxX, maxY } = boundingBox(points);
  const [w, h] = [Math.max(maxX - minX, 1), Math.max(maxY - minY, 1)];
  const margin = 0.05 * Math.max(w, h);
  return (
    <svg
      role="img"
      aria-label={`${outlines.length} outlines`}
      className="h-64 w-full border bg-paper"
      viewBox={`${minX - margin} ${-maxY - margin} ${w + 2 * margin} ${h + 2 * margin}`}
    >
      {outlines.map(({ name, layer, pointsMm }) => (
        <path
          key={name}
          d={`M${pointsMm.map(([x, y]) => `${x} ${-y}`).join('L')}Z`}
          fill={off.has(layer) ? 'none' : 'var(--tint-2)'}
          stroke={off.has(layer) ? 'var(--line-strong)' : 'var(--ink)'}
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {leftOut.map(({ atMm }, index) => (
        <circle key={index} cx={atMm[0]} cy={-atMm[1]} r={0.012 * Math.max(w, h)} fill="var(--stop)" />
      ))}
    </svg>
  );
}
