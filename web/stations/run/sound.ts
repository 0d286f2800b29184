import { useSyncExternalStore } from 'react';

/** What is heard: nothing, tones, or tones and the next thing spoken by the browser's own speech. */
export const SOUNDS = ['off', 'tones', 'voice'] as const;
export type Sound = (typeof SOUNDS)[number];
export const SOUND_WORDS: Readonly<Record<Sound, string>> = {
  off: 'silent',
  tones: 'tones',
  voice: 'tones and voice',
};

const KEY = 'glaphyra.sound';
const listeners = new Set<() => void>();
const kept = (): Sound => SOUNDS.find((each) => each === localStorage.getItem(KEY)) ?? 'tones';
const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** Where the browser has no voice, there is none to be chosen. */
const canSpeak = (): boolean => 'speechSynthesis' in window;

/** What is heard at this device, and a step to the next of what can be. */
export function useSound(): readonly [sound: Sound, next: () => Sound] {
  const sound = useSyncExternalStore(listen, kept);
  const next = () => {
    const can = SOUNDS.filter((each) => each !== 'voice' || canSpeak());
    const chosen = can[(can.indexOf(sound) + 1) % can.length]!;
    localStorage.setItem(KEY, chosen);
    listeners.forEach((listener) => listener());
    return chosen;
  };
  return [sound, next];
}

/** Says it now; what was still being said is broken off: only the latest is true. */
export function speak(words: string): void {
  if (!canSpeak()) return;
  speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(words);
  said.lang = 'en';
  speechSynthesis.speak(said);
}
