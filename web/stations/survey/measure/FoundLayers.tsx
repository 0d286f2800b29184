import { FOUND_IDS, foundName, type FoundId } from '#core/products/families';
import { Button } from '../../../ui/Button';

interface FoundLayersProps {
  readonly value: readonly FoundId[];
  readonly onChange: (value: FoundId[]) => void;
}

/** Layers found on a surface, bottom first. */
export function FoundLayers({ value, onChange }: FoundLayersProps) {
  return (
    <>
      {value.length === 0 ? (
        <p className="text-[14px] text-ink-2">Nothing was found: the surface counts as bare.</p>
      ) : (
        <ul className="space-y-1">
          {value.map((family, index) => (
            <li key={`${family}-${index}`} className="flex items-center justify-between gap-2">
              {foundName(family)}
              <Button look="quiet" onClick={() => onChange(value.filter((_, other) => other !== index))}>
                Not there
              </Button>
            </li>
          ))}
        </ul>
      )}
      <select
        aria-label="Add a layer that was found"
        className="field mt-2"
        value=""
        onChange={({ target }) => onChange([...value, target.value as FoundId])}
      >
        <option value="" disabled>
          Something was found on it …
        </option>
        {FOUND_IDS.map((family) => (
          <option key={family} value={family}>
            {foundName(family)}
          </option>
        ))}
      </select>
    </>
  );
}
