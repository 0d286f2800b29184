import { useId } from 'react';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, name: string])[];
  readonly onChange: (value: T) => void;
}

export function SelectField<T extends string>({ label, value, options, onChange }: Props<T>) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="label block">
        {label}
      </label>
      <select id={id} className="field" value={value} onChange={({ target }) => onChange(target.value as T)}>
        {options.map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
    </div>
  );
}
