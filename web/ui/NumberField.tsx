import { useId, useState } from 'react';
import { formatNumber, parseNumber } from './numbers';
import { useTyped } from './useTyped';

interface Props {
  readonly label: string;
  readonly value: number | undefined;
  readonly unit?: string;
  readonly onChange: (value: number | undefined) => void;
  /** Why a value will not do; undefined where it will. */
  readonly check?: (value: number) => string | undefined;
  readonly optional?: boolean;
  readonly hint?: string | undefined;
  readonly disabled?: boolean;
}

/** A number with its unit; takes a decimal comma or point, and hands over only what makes sense. */
export function NumberField({ label, value, unit, onChange, check, optional = false, hint, disabled = false }: Props) {
  const id = useId();
  const shown = value === undefined ? '' : formatNumber(value);
  const [text, setText] = useTyped(shown);
  const [fault, setFault] = useState<string>();

  const commit = () => {
    if (text.trim() === '') {
      setFault(optional ? undefined : 'a number is needed here');
      if (optional && value !== undefined) onChange(undefined);
      return;
    }
    const number = parseNumber(text);
    const why = number === undefined ? `“${text}” is not a number` : check?.(number);
    setFault(why);
    if (number !== undefined && !why && number !== value) onChange(number);
  };
  const said = fault ?? hint;
  return (
    <div>
      <label htmlFor={id} className="label block">
        {label}
      </label>
      <span className="relative block">
        <input
          id={id}
          inputMode="decimal"
          disabled={disabled}
          className={`field disabled:opacity-60 ${unit ? 'pr-14' : ''} ${fault ? 'border-stop' : ''}`}
          value={text}
          aria-invalid={fault !== undefined}
          aria-describedby={said ? `${id}-said` : undefined}
          onChange={({ target }) => setText(target.value)}
          onBlur={commit}
          onKeyDown={({ key }) => {
            if (key === 'Enter') commit();
            if (key === 'Escape') setText(shown);
          }}
        />
        {unit && <span className="label pointer-events-none absolute right-2.5 top-2.5">{unit}</span>}
      </span>
      {said && (
        <span
          id={`${id}-said`}
          className={`block text-[12.5px] leading-tight mt-1 ${fault ? 'text-stop' : 'text-ink-3'}`}
        >
          {said}
        </span>
      )}
    </div>
  );
}
