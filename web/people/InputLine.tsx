import { type InputHTMLAttributes, useId } from 'react';

interface Props extends InputHTMLAttributes<HTMLInputElement> {
  readonly label: string;
  readonly hint?: string;
}

/** A line of a form that is sent as a whole. */
export function InputLine({ label, hint, ...rest }: Props) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="label block">
        {label}
      </label>
      <input id={id} className="field" {...(hint !== undefined && { 'aria-describedby': `${id}-hint` })} {...rest} />
      {hint !== undefined && (
        <p id={`${id}-hint`} className="mt-1 text-[13px] text-ink-2">
          {hint}
        </p>
      )}
    </div>
  );
}
