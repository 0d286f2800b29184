import { useFormContext, useWatch } from 'react-hook-form';
import { type ProductProperty, PROPERTIES, PROPERTY_IDS } from '#core/products/sheets';
import { Tick } from '../../ui/Tick';
import type { Form } from './sheet-fields';

/** What the rules ask of a sheet, ticked and not typed: a slip of the pen would switch a rule off. */
export function PropertyFields() {
  const { control, setValue } = useFormContext<Form>();
  const chosen = useWatch({ control, name: 'properties' }) ?? [];
  const toggle = (id: ProductProperty, on: boolean) =>
    setValue(
      'properties',
      PROPERTY_IDS.filter((other) => (other === id ? on : chosen.includes(other))),
      { shouldDirty: true },
    );
  return (
    <fieldset className="col-span-2 md:col-span-3">
      <legend className="label">What the rules turn on</legend>
      <div className="mt-1 grid gap-x-6 gap-y-1 md:grid-cols-2">
        {PROPERTY_IDS.map((id) => (
          <Tick key={id} label={PROPERTIES[id]} on={chosen.includes(id)} onChange={(on) => toggle(id, on)} />
        ))}
      </div>
    </fieldset>
  );
}
