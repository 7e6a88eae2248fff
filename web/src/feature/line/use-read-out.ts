import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useSettings } from '../../shop/settings.ts';
import { hush, speak } from '../../shop/speech.ts';

/** Reads out what is next whenever it changes, where that is wanted; `R` says it again, wanted or not. */
export function useReadOut(text: string): void {
  const voice = useSettings((settings) => settings.voice);
  useEffect(() => {
    if (voice && text !== '') speak(text);
  }, [voice, text]);
  // Put away with the screen: nobody is told of a station that is no longer there.
  useEffect(() => hush, []);
  useHotkeys('r', () => speak(text), { preventDefault: true }, [text]);
}
