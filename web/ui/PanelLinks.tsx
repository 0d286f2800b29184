interface Props {
  readonly ids: readonly string[];
  readonly nameOf: (id: string) => string;
  readonly onChoose: (id: string) => void;
}

/** Panels that something is about, each a way to it. */
export function PanelLinks({ ids, nameOf, onChoose }: Props) {
  return (
    <p className="mt-1 flex flex-wrap gap-x-3 pl-6.5">
      {ids.map((id) => (
        <button key={id} type="button" className="text-[13px] text-ink-2 underline" onClick={() => onChoose(id)}>
          {nameOf(id)}
        </button>
      ))}
    </p>
  );
}
