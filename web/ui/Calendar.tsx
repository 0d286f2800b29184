import { DayPicker } from 'react-day-picker';
import { enGB } from 'react-day-picker/locale';

interface Props {
  readonly day: string;
  readonly onChoose: (day: string) => void;
}

const pad = (value: number) => String(value).padStart(2, '0');
const isoOf = (date: Date) => `${date.getFullYear()}-${pad(date.getMonth() + 1)}-${pad(date.getDate())}`;

/** A month to choose a day from, drawn like the rest. Loaded when one is opened. */
export default function Calendar({ day, onChoose }: Props) {
  const chosen = day === '' ? undefined : new Date(`${day}T12:00`);
  return (
    <DayPicker
      mode="single"
      required
      autoFocus
      locale={enGB}
      captionLayout="dropdown"
      selected={chosen}
      defaultMonth={chosen ?? new Date()}
      startMonth={new Date(new Date().getFullYear() - 30, 0)}
      endMonth={new Date(new Date().getFullYear() + 10, 11)}
      onSelect={(date) => onChoose(isoOf(date))}
      classNames={{
        months: 'relative',
        month_caption: 'mb-2 flex h-9 items-center pr-20',
        dropdowns: 'flex gap-1',
        dropdown_root: 'relative inline-flex items-center',
        dropdown: 'absolute inset-0 cursor-pointer opacity-0',
        caption_label: 'flex items-center gap-1 border px-2 py-1 font-semibold',
        chevron: 'size-4 fill-current',
        nav: 'absolute right-0 top-0 flex gap-1',
        button_previous: 'flex size-9 items-center justify-center border hover:bg-tint-1',
        button_next: 'flex size-9 items-center justify-center border hover:bg-tint-1',
        weekday: 'label size-9 font-normal',
        day: 'size-9 p-0 text-center',
        day_button: 'size-9 rounded hover:bg-tint-2',
        selected: 'bg-over font-semibold text-over-ink',
        today: 'font-semibold underline',
        outside: 'text-ink-3 opacity-60',
      }}
    />
  );
}
