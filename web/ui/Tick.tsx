interface Props {
  readonly label: string;
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
}

/** One thing that is so or not, said with its label. */
export function Tick({ label, on, onChange }: Props) {
  return (
    <label className="flex min-h-8 items-center gap-2 text-[14px]">
      <input
        type="checkbox"
        className="size-4 accent-(--over)"
        checked={on}
        onChange={({ target }) => onChange(target.checked)}
      />
      {label}
    </label>
  );
}
