import type { ButtonHTMLAttributes } from 'react';

const LOOKS = {
  main: 'bg-over text-over-ink border-over hover:brightness-110 font-semibold',
  plain: 'bg-sheet text-ink border-line-strong hover:bg-tint-1',
  quiet: 'border-transparent text-ink-2 hover:bg-tint-2 hover:text-ink',
  danger: 'bg-sheet text-stop border-stop hover:bg-stop-soft',
} as const;

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: keyof typeof LOOKS;
  /** For gloves: at least 64 px. */
  readonly glove?: boolean;
}

export function Button({ look = 'plain', glove, className = '', type = 'button', ...rest }: Props) {
  // In the bay what is tapped shows at once: nothing fades.
  const size = glove ? 'min-h-16 px-6 text-lg' : 'min-h-9.5 px-3.5 transition-colors';
  return (
    <button
      type={type}
      className={`inline-flex items-center justify-center gap-2 border rounded whitespace-nowrap disabled:opacity-45 ${size} ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
