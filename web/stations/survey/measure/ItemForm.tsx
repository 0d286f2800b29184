import { useState } from 'react';
import { asksFor, type Dimension, sizeFaults, type Sizes } from '#core/item/nets';
import { groupsOf, itemTemplate, stretchItem, switchGroup } from '#job/edit';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { NumberField } from '../../../ui/NumberField';

/** What the item was measured from: its sizes, and which groups of surfaces are surveyed with it. */
export function ItemForm() {
  const { document, edit, record } = useJob('document', 'edit', 'record');
  const [fault, setFault] = useState<string>();
  const measured = itemTemplate(document);
  if (!measured) return null;
  const { template, sizes } = measured;
  const begun = record.patches.size > 0;
  const put = (key: Dimension, mm: number | undefined) => {
    const next: Sizes = { ...sizes, [key]: mm };
    const [why] = sizeFaults(template, next);
    setFault(why?.message);
    if (!why) edit((draft) => stretchItem(draft, next));
  };
  const laid = new Set([...record.patches.values()].map(({ patch }) => patch.surface));
  return (
    <Part title={template.name}>
      <div className="grid grid-cols-2 gap-3">
        {asksFor(template).map(({ key, word }) => (
          <NumberField
            key={key}
            label={`${word.slice(0, 1).toUpperCase()}${word.slice(1)}`}
            unit="mm"
            value={sizes[key]}
            disabled={begun}
            onChange={(mm) => put(key, mm)}
          />
        ))}
      </div>
      {fault && (
        <p role="alert" className="mt-1 text-[13px] text-stop">
          Not taken: {fault}.
        </p>
      )}
      {begun && <p className="mt-1 text-[13px] text-ink-2">Laying has begun: its sizes stand.</p>}
      <fieldset className="mt-3">
        <legend className="label">Surveyed with it</legend>
        {groupsOf(document).map(({ id, name, ids, on }) => (
          <label key={id} className="flex min-h-8 items-center gap-2 text-[14px]">
            <input
              type="checkbox"
              className="size-4 accent-(--over)"
              checked={on}
              disabled={ids.some((surface) => laid.has(surface))}
              onChange={({ target }) => edit((draft) => switchGroup(draft, id, target.checked))}
            />
            {name} <span className="text-ink-3">{ids.length}</span>
          </label>
        ))}
      </fieldset>
    </Part>
  );
}
