import { useId } from 'react';
import { useTyped } from './useTyped';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly long?: boolean;
  readonly placeholder?: string;
  readonly required?: boolean;
}

/** Text handed over when one leaves it, so that undo steps are whole thoughts. */
export function TextField({ label, value, onChange, long, placeholder, required }: Props) {
  const id = useId();
  const [text, setText] = useTyped(value);
  const commit = () => {
    const clean = text.trim();
    if (required && clean === '') setText(value);
    else if (clean !== value) onChange(clean);
  };
  const props = {
    id,
    className: `field ${long ? 'min-h-20 py-2' : ''}`,
    value: text,
    placeholder,
    onChange: ({ target }: { target: { value: string } }) => setText(target.value),
    onBlur: commit,
  };
  return (
    <div>
      <label htmlFor={id} className="label block">
        {label}
      </label>
      {long ? (
        <textarea {...props} />
      ) : (
        <input {...props} onKeyDown={({ key }) => (key === 'Enter' ? commit() : undefined)} />
      )}
    </div>
  );
}
