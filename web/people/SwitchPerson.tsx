import { Delete } from 'lucide-react';
import { useState } from 'react';
import { errorText } from '../app/api';
import { useAtThisDeviceQuery, useSwitchToMutation } from './api';
import { Fault } from '../ui/Fault';

const SHORTEST_PIN = 4;
const LONGEST_PIN = 8;
const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;

/** Whoever takes the tablet over: a tap on one's name, and the PIN. For gloves, and from two metres. */
export function SwitchPerson({ onDone }: { readonly onDone?: () => void }) {
  const { data: people, error } = useAtThisDeviceQuery();
  const [person, setPerson] = useState<string>();
  const chosen = people?.find(({ id }) => id === person);
  if (error) return <p role="alert">{errorText(error)}</p>;
  if (people?.length === 0)
    return <p className="text-lg">Nobody has a PIN yet. The owner gives them out at the desk: Workshop, People.</p>;
  return (
    <div className="grid gap-6 sm:grid-cols-[1fr_20rem]">
      <ul className="grid auto-rows-min gap-3" aria-label="Who is it?">
        {people?.map(({ id, name }) => (
          <li key={id}>
            <button
              type="button"
              aria-pressed={id === person}
              onClick={() => setPerson(id)}
              className={`min-h-20 w-full border-2 px-5 text-left text-3xl font-semibold break-words ${id === person ? 'border-over bg-over-soft' : 'border-line-strong bg-sheet hover:bg-tint-1'}`}
            >
              {name}
            </button>
          </li>
        ))}
      </ul>
      {chosen ? (
        <PinPad key={chosen.id} name={chosen.name} person={chosen.id} {...(onDone && { onDone })} />
      ) : (
        <p className="self-center text-xl text-ink-2">Tap your name.</p>
      )}
    </div>
  );
}

interface PadProps {
  readonly name: string;
  readonly person: string;
  readonly onDone?: () => void;
}

function PinPad({ name, person, onDone }: PadProps) {
  const [pin, setPin] = useState('');
  const [switchTo, { error, isLoading }] = useSwitchToMutation();
  const send = async () => {
    const answer = await switchTo({ body: { person, pin } });
    setPin('');
    if (answer.data) onDone?.();
  };
  const key = 'flex min-h-20 items-center justify-center rounded border text-3xl disabled:opacity-45';
  const digitKey = `${key} border-line-strong bg-sheet hover:bg-tint-1`;
  return (
    <div
      onKeyDown={({ key: pressed }) => {
        if (/^\d$/.test(pressed)) setPin((before) => (before + pressed).slice(0, LONGEST_PIN));
        if (pressed === 'Backspace') setPin((before) => before.slice(0, -1));
      }}
    >
      <p className="text-lg">
        PIN of <strong>{name}</strong>
      </p>
      <p aria-live="polite" aria-label={`${pin.length} digits`} className="figure min-h-12 text-4xl tracking-widest">
        {'●'.repeat(pin.length)}
      </p>
      <div className="grid grid-cols-3 gap-2">
        {DIGITS.map((digit) => (
          <button
            key={digit}
            type="button"
            className={digitKey}
            onClick={() => setPin(`${pin}${digit}`.slice(0, LONGEST_PIN))}
          >
            {digit}
          </button>
        ))}
        <button
          type="button"
          className={digitKey}
          aria-label="Take the last digit back"
          onClick={() => setPin(pin.slice(0, -1))}
        >
          <Delete size={28} />
        </button>
        <button type="button" className={digitKey} onClick={() => setPin(`${pin}0`.slice(0, LONGEST_PIN))}>
          0
        </button>
        <button
          type="button"
          className={`${key} border-over bg-over font-semibold text-over-ink hover:brightness-110`}
          disabled={pin.length < SHORTEST_PIN || isLoading}
          onClick={() => void send()}
        >
          OK
        </button>
      </div>
      <Fault error={error} className="mt-3 text-lg" />
    </div>
  );
}
