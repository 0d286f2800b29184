import { ToggleGroup } from 'radix-ui';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T | undefined;
  readonly options: readonly (readonly [value: T, name: string])[];
  /** Undefined where the chosen one was pressed again; only with `optional`. */
  readonly onChange: (value: T | undefined) => void;
  readonly optional?: boolean;
}

/** A few choices side by side, one of them taken. */
export function Segmented<T extends string>({ label, value, options, onChange, optional = false }: Props<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value ?? ''}
      onValueChange={(next) => {
        if (next !== '') onChange(next as T);
        else if (optional) onChange(undefined);
      }}
      className="inline-flex rounded border border-line-strong bg-sheet"
    >
      {options.map(([key, name]) => (
        <ToggleGroup.Item
          key={key}
          value={key}
          className="min-h-9.5 border-r border-line px-3 last:border-r-0 hover:bg-tint-1 data-[state=on]:bg-over-soft data-[state=on]:font-semibold data-[state=on]:shadow-[inset_0_-3px_0_var(--over)]"
        >
          {name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
