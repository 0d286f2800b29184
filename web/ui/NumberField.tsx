import { useId, useState } from 'react';
import { type Measure, MEASURES } from '#core/measures';
import { fieldSystem, type MeasureId, measureOf, unitTyped } from './measures';
import { formatNumber, parseNumber } from './numbers';
import { useTyped } from './useTyped';

interface Props {
  readonly label: string;
  readonly value: number | undefined;
  /** The metric unit; where there is an imperial one, either may be typed behind the number. */
  readonly unit?: string;
  readonly onChange: (value: number | undefined) => void;
  /** Why a value will not do; undefined where it will. In the metric unit. */
  readonly check?: (value: number) => string | undefined;
  readonly optional?: boolean;
  readonly hint?: string | undefined;
  readonly disabled?: boolean;
}

/** A number with its unit; takes a decimal comma or point, and hands over only what makes sense. */
export function NumberField({ label, value, unit, onChange, check, optional = false, hint, disabled = false }: Props) {
  const id = useId();
  const measure = measureOf(unit);
  const shown = value === undefined ? '' : formatNumber(measure ? inSystem(value, measure) : value);
  const [text, setText] = useTyped(shown);
  const [fault, setFault] = useState<string>();

  const commit = () => {
    if (text.trim() === '') {
      setFault(optional ? undefined : 'a number is needed here');
      if (optional && value !== undefined) onChange(undefined);
      return;
    }
    // What was not typed over keeps every digit it has.
    if (text === shown) return setFault(undefined);
    const number = measure ? metricTyped(text, measure) : parseNumber(text);
    const why =
      number === undefined
        ? `“${text}” is not a number${measure ? ` in ${MEASURES[measure].metric} or ${MEASURES[measure].imperial}` : ''}`
        : check?.(number);
    setFault(why);
    if (number !== undefined && !why) {
      if (number === value) setText(shown);
      else onChange(number);
    }
  };
  const said = fault ?? hint;
  const shownUnit = measure ? MEASURES[measure][fieldSystem()] : unit;
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
          className={`field disabled:opacity-60 ${shownUnit ? 'pr-14' : ''} ${fault ? 'border-stop' : ''}`}
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
        {shownUnit && <span className="label pointer-events-none absolute right-2.5 top-2.5">{shownUnit}</span>}
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

const inSystem = (value: number, id: MeasureId): number =>
  fieldSystem() === 'imperial' ? MEASURES[id].toImperial(value) : value;

/** What was typed, in the metric unit: its own unit counts, else the one the field shows. */
function metricTyped(text: string, id: MeasureId): number | undefined {
  const parted = unitTyped(text, id);
  const number = parted && parseNumber(parted.number);
  if (!parted || number === undefined) return undefined;
  const { toMetric }: Measure = MEASURES[id];
  return (parted.system ?? fieldSystem()) === 'imperial' ? toMetric(number) : number;
}
