import { useCallback, useEffect, useRef, useState } from 'react';
import { type AskedHeard, heardAsks, heardOf } from '#contract/wording/heard-text.ts';
import { say } from '#contract/wording/say.ts';
import { hearing } from '../../shop/hearing.ts';
import { useSettings } from '../../shop/settings.ts';
import { speak } from '../../shop/speech.ts';

/** Below this a program guessed (chosen by us). */
const SURE = 0.6;
/** How long a question waits for its yes, ms. */
const ASKED_MS = 8000;

export interface HeardLine {
  /** Waits for a yes. */
  asked?: AskedHeard;
  /** What was made of the last utterance, or why nothing is heard. */
  said?: string;
  yes(): void;
  no(): void;
}

/** A key as a hand presses it: whatever the screen would refuse a hand, it refuses a voice. */
function press(key: string, code: string): void {
  const target = document.activeElement ?? document.body;
  target.dispatchEvent(new KeyboardEvent('keydown', { key, code, bubbles: true, cancelable: true }));
  target.dispatchEvent(new KeyboardEvent('keyup', { key, code, bubbles: true }));
}

/** Puts a number where the screen asks for one, and gives it. */
function typeNumber(number: string): boolean {
  const field = document.querySelector<HTMLInputElement>(
    'main input[inputmode="decimal"], aside input[inputmode="decimal"]',
  );
  if (!field?.form) return false;
  // As typed: React hears of a value that was set only through the field's own setter.
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(field, number);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.form.requestSubmit();
  return true;
}

/**
 * Takes what is said to the line. Only a few words are known, each asks for a yes before anything is done, and what is
 * done is a key that a hand might press: no voice proves who speaks, and none gets past a refusal or a dialog.
 */
export function useHeard(): HeardLine {
  const on = useSettings((settings) => settings.hears);
  const address = useSettings((settings) => settings.listener);
  const [asked, setAsked] = useState<AskedHeard>();
  const [said, setSaid] = useState<string>();
  const waits = useRef<AskedHeard>(undefined);
  const ask = useCallback((heard: AskedHeard | undefined) => {
    waits.current = heard;
    setAsked(heard);
  }, []);
  const no = useCallback(() => ask(undefined), [ask]);
  const yes = useCallback(() => {
    const heard = waits.current;
    ask(undefined);
    if (heard?.word === 'done') press(' ', 'Space');
    if (heard?.word === 'takeBack') press('u', 'KeyU');
    if (heard?.word === 'number' && !typeNumber(heard.number)) setSaid(say('No number is asked for here.'));
  }, [ask]);
  useEffect(() => {
    if (!asked) return undefined;
    const timer = setTimeout(no, ASKED_MS);
    return () => clearTimeout(timer);
  }, [asked, no]);
  useEffect(() => {
    if (!on) return undefined;
    const stop = hearing(address).listen(({ text, confidence }) => {
      const heard = confidence < SURE ? undefined : heardOf(text);
      if (!heard) {
        setSaid(say('“{text}”. Not understood.', { text }));
        return;
      }
      if (heard.word === 'no') return no();
      // A dialog proves, reasons or chooses: that takes hands.
      if (document.querySelector('[role="dialog"]')) {
        no();
        return setSaid(say('A sheet is open: that takes hands.'));
      }
      setSaid(undefined);
      if (heard.word === 'yes') return yes();
      if (heard.word === 'problem') return press('p', 'KeyP');
      if (heard.word === 'again') return press('r', 'KeyR');
      const question: AskedHeard = heard.word === 'number' ? heard : { word: heard.word };
      ask(question);
      speak(heardAsks(question));
      return undefined;
    }, setSaid);
    return () => {
      stop();
      no();
      setSaid(undefined);
    };
  }, [on, address, ask, yes, no]);
  return { asked, said, yes, no };
}
