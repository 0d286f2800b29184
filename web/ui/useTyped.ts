import { useState } from 'react';

/** Text being typed over a value from elsewhere: when that value changes, what was typed gives way to it. */
export function useTyped(shown: string): readonly [string, (text: string) => void] {
  const [typed, setTyped] = useState<{ readonly over: string; readonly text: string }>();
  const text = typed?.over === shown ? typed.text : shown;
  return [text, (next) => setTyped({ over: shown, text: next })];
}
