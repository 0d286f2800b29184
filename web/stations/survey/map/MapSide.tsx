import { useDeferredValue, useMemo, useState } from 'react';
import { perimeterMm, type Polygon, polygonAreaM2 } from '#core/item/geometry';
import type { SubstrateId } from '#core/item/substrates';
import type { Surface } from '#formats/job';
import { addDrawn, claimsOf, cutOut } from '#job/edit';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { SelectField } from '../../../ui/SelectField';
import { m2 } from '../../../ui/measures';
import { substrateOptions } from '../measure/MaterialPart';
import { KeepTemplate } from './KeepTemplate';

/** Panels that lay claim to one area, told wherever the map is looked at. */
export function Claims() {
  const { draft, nameOf, choose } = useJob('choose', 'draft', 'nameOf');
  // After the edit itself is on the screen.
  const shown = useDeferredValue(draft);
  const claims = useMemo(() => claimsOf(shown), [shown]);
  if (claims.length === 0) return null;
  return (
    <Part title="Claimed twice">
      <ul className="space-y-2 text-[14px]">
        {claims.map(({ a, b, areaM2 }) => (
          <li key={`${a} ${b}`} className="border-l-4 border-warn pl-3">
            <button type="button" className="font-semibold underline" onClick={() => choose(a)}>
              {nameOf(a)}
            </button>{' '}
            and{' '}
            <button type="button" className="font-semibold underline" onClick={() => choose(b)}>
              {nameOf(b)}
            </button>{' '}
            both claim {m2(areaM2)}: it would be counted and paid for twice.
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** Beside the map when no outline waits for its name. */
export function MapSide() {
  const { document } = useJob('document');
  const drawn = document.surfaces.filter(({ onSheet }) => onSheet);
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="figure text-xl">The map</h2>
        <p className="mt-1 text-[14px] text-ink-2">
          {document.surfaces.length} surfaces, {drawn.length} of them drawn on it. Undo takes any change back.
        </p>
      </section>
      <Claims />
      <KeepTemplate />
    </>
  );
}

interface FormProps {
  readonly outline: Polygon;
  readonly onDone: () => void;
}

/** An outline that has just been closed: what it is called and made of, and whose area it claims. */
export function DrawnPanelForm({ outline, onDone }: FormProps) {
  const { document, draft, edit, nameOf, choose, laid } = useJob(
    'choose',
    'document',
    'draft',
    'edit',
    'laid',
    'nameOf',
  );
  const [name, setName] = useState('');
  const [substrate, setSubstrate] = useState<SubstrateId>('clear-gloss');
  const [cut, setCut] = useState(true);
  const claims = useMemo(() => claimsOf(draft, outline), [draft, outline]);
  const hosts = claims.map(({ a }) => a).filter((id) => !laid.has(id));
  const measuredBy: Surface['measuredBy'] = document.item?.picture ? 'trace' : 'tape';
  const add = () => {
    edit((before) => {
      const room = cut ? cutOut(before, hosts, outline) : before;
      return addDrawn(room, { name: name.trim(), substrate, outline, measuredBy });
    });
    choose(undefined);
    onDone();
  };
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="label">A new panel</h2>
        <p className="figure text-4xl">{m2(polygonAreaM2(outline))}</p>
        <p className="text-ink-2">
          {outline.length} corners, {(perimeterMm(outline) / 1000).toFixed(2)} m round
        </p>
      </section>
      <Part title="What it is">
        <form
          className="space-y-3"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim()) add();
          }}
        >
          <div>
            <label htmlFor="drawn-name" className="label block">
              Name
            </label>
            <input
              id="drawn-name"
              className="field"
              value={name}
              autoFocus
              placeholder="Bonnet stripe"
              onChange={({ target }) => setName(target.value)}
            />
          </div>
          <SelectField label="Made of" value={substrate} options={substrateOptions} onChange={setSubstrate} />
          {claims.length > 0 && (
            <div className="border-l-4 border-warn pl-3 text-[14px]">
              <p className="font-semibold">It claims area of other panels:</p>
              <ul>
                {claims.map(({ a, areaM2 }) => (
                  <li key={a}>
                    {m2(areaM2)} of {nameOf(a)}
                    {laid.has(a) && ', where work has been logged: it stays whole'}
                  </li>
                ))}
              </ul>
              {hosts.length > 0 && (
                <label className="mt-1 flex min-h-9 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-4 accent-(--over)"
                    checked={cut}
                    onChange={({ target }) => setCut(target.checked)}
                  />
                  Cut it out of {hosts.length === 1 ? 'it' : 'them'}
                </label>
              )}
            </div>
          )}
          <div className="flex gap-2">
            <Button look="main" type="submit" disabled={name.trim() === ''}>
              Add it
            </Button>
            <Button onClick={onDone}>Throw it away</Button>
          </div>
        </form>
      </Part>
    </>
  );
}
