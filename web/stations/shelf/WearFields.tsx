import { useFormContext, useWatch } from 'react-hook-form';
import { type Worn, WORN, wornFor } from '#core/products/sheets';
import { SUPPLIES } from '#core/stock';
import { Button } from '../../ui/Button';
import { Tick } from '../../ui/Tick';
import type { Form } from './sheet-fields';

/** What has to be worn while it is laid: as its family and vapour have it, or as the safety sheet says. */
export function WearFields() {
  const { control, setValue } = useFormContext<Form>();
  const [own, family, vocGPerL] = useWatch({ control, name: ['wear', 'family', 'vocGPerL'] });
  const voc = Number(vocGPerL);
  const known = vocGPerL === undefined || String(vocGPerL) === '' || Number.isNaN(voc) ? undefined : voc;
  const chosen = wornFor({ family, vocGPerL: known, wear: own });
  const put = (wear: Worn[] | undefined) => setValue('wear', wear, { shouldDirty: true });
  return (
    <fieldset className="col-span-2 md:col-span-3">
      <legend className="label">To be worn while it is laid</legend>
      <div className="mt-1 flex flex-wrap items-center gap-x-6 gap-y-1">
        {WORN.map((id) => (
          <Tick
            key={id}
            label={SUPPLIES[id].name}
            on={chosen.includes(id)}
            onChange={(on) => put(WORN.filter((other) => (other === id ? on : chosen.includes(other))))}
          />
        ))}
        {own ? (
          <Button onClick={() => put(undefined)}>By family and vapour</Button>
        ) : (
          <span className="text-[14px] text-ink-2">
            by its family and vapour{known === undefined && family !== 'film' && '; vapour not known: a mask'}
          </span>
        )}
      </div>
    </fieldset>
  );
}
