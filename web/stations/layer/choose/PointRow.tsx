import type { ChoicePoint } from '#formats/choice';
import { money } from '#formats/values';
import { POINT_NAMES } from './points';

interface PointRowProps {
  readonly point: ChoicePoint;
  readonly currency: string;
  readonly on: boolean;
  readonly onChoose: () => void;
}

export function PointRow({ point, currency, on, onChoose }: PointRowProps) {
  const { name, words, firstMoney, yearMoney, lifeMonths, hours } = point;
  return (
    <button
      type="button"
      role="radio"
      aria-checked={on}
      onClick={onChoose}
      className={`block w-full border-b px-2 py-1.5 text-left ${on ? 'bg-over-soft shadow-[inset_3px_0_0_var(--over)]' : 'hover:bg-tint-1'}`}
    >
      <span className="flex items-baseline justify-between gap-3">
        <strong>{POINT_NAMES[name]}</strong>
        <span className="figure text-lg">{money(firstMoney, currency)}</span>
      </span>
      <span className="block text-[13.5px] text-ink-2">
        {Math.round(lifeMonths)} months, {hours.toFixed(1)} h, {money(yearMoney, currency)} a year
      </span>
      <span className="block text-[13.5px]">{words.charAt(0).toUpperCase() + words.slice(1)}.</span>
    </button>
  );
}
