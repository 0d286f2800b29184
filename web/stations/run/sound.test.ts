import { act, renderHook } from '@testing-library/react';
import { useSpoken } from './signals';
import { type Sound, speak, useSound } from './sound';

const said: string[] = [];
let broken = 0;
class Utterance {
  lang = '';
  constructor(readonly text: string) {}
}
function withVoice(): void {
  Object.assign(window, {
    SpeechSynthesisUtterance: Utterance,
    speechSynthesis: { cancel: () => (broken += 1), speak: ({ text }: Utterance) => said.push(text) },
  });
}
beforeEach(() => {
  localStorage.clear();
  said.length = 0;
  broken = 0;
  Reflect.deleteProperty(window, 'speechSynthesis');
});

test('one button leads from tones to voice to silence and back, at every place at once; without a voice it is left out', () => {
  withVoice();
  const [one, other] = [renderHook(() => useSound()), renderHook(() => useSound())];
  const heard: Sound[] = [other.result.current[0]];
  for (let press = 0; press < 3; press++) {
    act(() => void one.result.current[1]());
    heard.push(other.result.current[0]);
  }
  expect(heard).toEqual(['tones', 'voice', 'off', 'tones']);
  Reflect.deleteProperty(window, 'speechSynthesis');
  act(() => void one.result.current[1]());
  expect(other.result.current[0]).toBe('off');
  expect(() => speak('to nobody')).not.toThrow();
});

test('the next thing is spoken once when it changes, over what was still being said, and only where a voice is wanted', () => {
  withVoice();
  const { rerender, unmount } = renderHook(
    ({ words, sound }: { words: string; sound: Sound }) => useSpoken(words, sound),
    {
      initialProps: { words: 'Lay, Roof', sound: 'voice' as Sound },
    },
  );
  expect(said).toEqual([]);
  rerender({ words: 'Laying, Roof', sound: 'voice' });
  rerender({ words: 'Laying, Roof', sound: 'voice' });
  expect(said).toEqual(['Laying, Roof']);
  rerender({ words: 'Wait, Roof', sound: 'tones' });
  expect([said.length, broken]).toEqual([1, 1]);
  // Another patch is another card on the screen, and is spoken all the same.
  unmount();
  renderHook(() => useSpoken('Level now, Bonnet', 'voice'));
  expect(said.at(-1)).toBe('Level now, Bonnet');
});
