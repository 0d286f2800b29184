import { useEffect, useRef } from 'react';
import { type Sound, speak } from './sound';

/** What a window tells the hands that are not looking at the screen. */
export type Signal = 'opens' | 'closing' | 'closed';

/** Tones as [hertz, from second, for seconds]; and the same by vibration, ms. */
const TONES: Readonly<Record<Signal, readonly (readonly [number, number, number])[]>> = {
  opens: [
    [660, 0, 0.16],
    [990, 0.2, 0.28],
  ],
  closing: [
    [880, 0, 0.1],
    [880, 0.16, 0.1],
    [880, 0.32, 0.1],
  ],
  closed: [
    [330, 0, 0.35],
    [247, 0.4, 0.5],
  ],
};
const VIBRATION: Readonly<Record<Signal, readonly number[]>> = {
  opens: [180, 80, 320],
  closing: [90, 60, 90, 60, 90],
  closed: [700],
};

let audio: AudioContext | undefined;

function sound(signal: Signal): void {
  audio ??= new AudioContext();
  for (const [hertz, from, seconds] of TONES[signal]) {
    const tone = audio.createOscillator();
    const loudness = audio.createGain();
    const start = audio.currentTime + from;
    tone.frequency.value = hertz;
    loudness.gain.setValueAtTime(0.25, start);
    loudness.gain.exponentialRampToValueAtTime(0.001, start + seconds);
    tone.connect(loudness).connect(audio.destination);
    tone.start(start);
    tone.stop(start + seconds);
  }
}

export function give(signal: Signal, aloud: boolean): void {
  if (aloud) sound(signal);
  navigator.vibrate?.([...VIBRATION[signal]]);
}

/** What was to be done last: it outlives the patch that is told of. */
let toldLast: string | undefined;

/** Speaks what is to be done when it changes; what stood there when one came is not called out. */
export function useSpoken(words: string, sound: Sound): void {
  useEffect(() => {
    if (toldLast !== undefined && toldLast !== words && sound === 'voice') speak(words);
    toldLast = words;
  }, [words, sound]);
}

/** Gives each signal once as its moment passes; moments that had passed before one looked are not called out. */
export function useSignals(patch: string | undefined, due: readonly Signal[], aloud: boolean): void {
  const given = useRef<{ patch: string | undefined; signals: Set<Signal> }>(undefined);
  const key = due.join();
  useEffect(() => {
    const before = given.current;
    if (!before || before.patch !== patch) {
      given.current = { patch, signals: new Set(due) };
      return;
    }
    for (const signal of due.filter((each) => !before.signals.has(each))) {
      before.signals.add(signal);
      give(signal, aloud);
    }
    // The list is told by its key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [patch, key, aloud]);
}

/** Keeps the screen lit while the bay is being worked in. */
export function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    const hold = async () => {
      if (document.visibilityState !== 'visible') return;
      lock = await navigator.wakeLock?.request('screen').catch(() => undefined);
    };
    const holdAgain = () => void hold();
    holdAgain();
    document.addEventListener('visibilitychange', holdAgain);
    return () => {
      document.removeEventListener('visibilitychange', holdAgain);
      void lock?.release();
    };
  }, []);
}
