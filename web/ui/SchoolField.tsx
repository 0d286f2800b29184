import { SelectField } from './SelectField';

interface Props<Id extends string> {
  readonly label: string;
  readonly choices: Readonly<Record<Id, { readonly name: string; readonly changes: string }>>;
  readonly value: Id;
  readonly onChange: (value: Id) => void;
}

/** Where good people disagree: the schools by name, and what the chosen one changes. */
export function SchoolField<Id extends string>({ label, choices, value, onChange }: Props<Id>) {
  return (
    <div>
      <SelectField
        label={label}
        value={value}
        options={(Object.keys(choices) as Id[]).map((id) => [id, choices[id].name] as const)}
        onChange={onChange}
      />
      <p className="mt-0.5 text-[13px] text-ink-2">{choices[value].changes}</p>
    </div>
  );
}
