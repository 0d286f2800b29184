import { CalendarDays } from 'lucide-react';
import { Popover } from 'radix-ui';
import { Suspense, useId, useState } from 'react';
import { shownDay, typedDay, typedTime } from './dates';
import { nowInstant } from './moments';
import { useTyped } from './useTyped';
import { later } from './later';

const Calendar = later(() => import('./Calendar'));

interface DayProps {
  readonly label: string;
  /** As `2027-03-04`; empty: none. */
  readonly value: string;
  readonly onChange: (day: string) => void;
  readonly disabled?: boolean;
  /** A day there has to be. */
  readonly required?: boolean;
  readonly className?: string;
}

/** A calendar day: typed as one writes it, or chosen from a month. */
export function DateField({ label, className = '', ...props }: DayProps) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="label block">
        {label}
      </label>
      <DayInput id={id} {...props} />
    </div>
  );
}

function DayInput({
  id,
  value,
  onChange,
  disabled = false,
  required = false,
}: Omit<DayProps, 'label'> & { id: string }) {
  const [text, setText] = useTyped(shownDay(value));
  const [fault, setFault] = useState(false);
  const [open, setOpen] = useState(false);
  const commit = () => {
    const day = text.trim() === '' && !required ? '' : typedDay(text, value || nowInstant());
    setFault(day === undefined);
    if (day !== undefined && day !== value) onChange(day);
    else if (day !== undefined) setText(shownDay(day));
  };
  return (
    <>
      <span className="relative block">
        <input
          id={id}
          className={`field pr-10 disabled:opacity-60 ${fault ? 'border-stop' : ''}`}
          placeholder="4 Mar 2027"
          disabled={disabled}
          value={text}
          aria-invalid={fault}
          aria-describedby={fault ? `${id}-said` : undefined}
          onChange={({ target }) => setText(target.value)}
          onBlur={commit}
          onKeyDown={({ key }) => {
            if (key === 'Enter') commit();
          }}
        />
        <Popover.Root open={open} onOpenChange={setOpen}>
          <Popover.Trigger
            disabled={disabled}
            className="absolute right-0 top-0 flex size-10 items-center justify-center text-ink-2 hover:text-ink disabled:opacity-50"
            aria-label="Choose from a calendar"
          >
            <CalendarDays size={17} />
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content align="end" sideOffset={4} className="z-50 border border-line-strong bg-sheet p-4">
              <Suspense>
                <Calendar
                  day={value}
                  onChoose={(day) => {
                    setOpen(false);
                    setFault(false);
                    onChange(day);
                  }}
                />
              </Suspense>
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      </span>
      {fault && (
        <span id={`${id}-said`} className="mt-1 block text-[12.5px] leading-tight text-stop">
          not a day: 4 Mar 2027, 4.3.2027 or 4/3/2027
        </span>
      )}
    </>
  );
}

interface MomentProps extends Omit<DayProps, 'value' | 'onChange'> {
  /** As `2027-03-04T09:30`; empty: none. */
  readonly value: string;
  readonly onChange: (moment: string) => void;
}

/** Where nobody says, work begins then. */
const USUAL_TIME = '09:00';

/** A day and a time of it, by the clock on the wall. */
export function DateTimeField({ label, value, onChange, disabled = false, required = false }: MomentProps) {
  const id = useId();
  const [day = '', time = ''] = value.split('T');
  const [text, setText] = useTyped(time.slice(0, 5));
  const [fault, setFault] = useState(false);
  const commit = () => {
    const typed = typedTime(text);
    setFault(typed === undefined);
    if (typed !== undefined && day !== '' && typed !== time) onChange(`${day}T${typed}`);
  };
  return (
    <fieldset disabled={disabled}>
      <legend className="label block">{label}</legend>
      <div className="flex flex-wrap gap-1">
        <div className="min-w-34 flex-1">
          <label className="sr-only" htmlFor={`${id}-day`}>
            {label}: day
          </label>
          <DayInput
            id={`${id}-day`}
            value={day}
            disabled={disabled}
            required={required}
            onChange={(next) => onChange(next === '' ? '' : `${next}T${time || USUAL_TIME}`)}
          />
        </div>
        <div className="w-18">
          <label className="sr-only" htmlFor={`${id}-time`}>
            {label}: time
          </label>
          <input
            id={`${id}-time`}
            className={`field px-2 text-center disabled:opacity-60 ${fault ? 'border-stop' : ''}`}
            inputMode="numeric"
            placeholder="9:00"
            disabled={disabled || day === ''}
            value={text}
            aria-invalid={fault}
            onChange={({ target }) => setText(target.value)}
            onBlur={commit}
            onKeyDown={({ key }) => {
              if (key === 'Enter') commit();
            }}
          />
        </div>
      </div>
    </fieldset>
  );
}
