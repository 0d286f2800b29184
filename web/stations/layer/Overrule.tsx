import { useState } from 'react';
import { mayOverrule, type Ruling } from '#core/layers/rules';
import { Button } from '../../ui/Button';

interface Props {
  readonly ruling: Ruling;
  readonly laid: boolean;
  /** Undefined: the rule stands again. */
  readonly onChange: (reason: string | undefined) => void;
}

/** A rule set aside by a person, with the reason that stays on the record; never where safety asks for it. */
export function Overrule({ ruling, laid, onChange }: Props) {
  const [reason, setReason] = useState<string>();
  const { rule, answer, overruled } = ruling;
  if (overruled !== undefined) {
    return (
      <p className="mt-1 border-l-4 border-warn pl-2">
        Overruled: {overruled}. Try it hidden first.{' '}
        <button
          type="button"
          className="underline disabled:opacity-45"
          disabled={laid}
          onClick={() => onChange(undefined)}
        >
          Let the rule stand
        </button>
      </p>
    );
  }
  if (answer !== 'no' || laid) return null;
  if (!mayOverrule(rule))
    return <p className="mt-1 font-semibold text-stop">A matter of safety: this is not overruled.</p>;
  if (reason === undefined) {
    return (
      <button type="button" className="mt-1 text-ink-2 underline" onClick={() => setReason('')}>
        Overrule with a reason
      </button>
    );
  }
  return (
    <form
      className="mt-1 flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() === '') return;
        onChange(reason.trim());
        setReason(undefined);
      }}
    >
      <label className="flex-1">
        <span className="label block">Why it is done all the same</span>
        <input autoFocus className="field" value={reason} onChange={({ target }) => setReason(target.value)} />
      </label>
      <Button type="submit" disabled={reason.trim() === ''}>
        Overrule
      </Button>
    </form>
  );
}
