import { useEffect, useRef } from 'react';

/** A scanner types a code faster than a hand can, ms between two characters; then Enter. Common practice, no source. */
const BETWEEN_MS = 50;
/** A shorter burst is a hand that drummed. */
const SHORTEST = 4;

/** Letters held back until it is known that no burst follows. */
const isLetter = (key: string): boolean => key.length === 1 && /\p{L}/u.test(key);
const isField = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;

/** Takes a scanned code; `false` where it is not its own, and the screen below is asked. */
type Taker = (code: string) => boolean | undefined;

/** Who takes a code, the screen shown last at the end. */
const takers: Taker[] = [];
let stopListening: (() => void) | undefined;
/** When the newest key was pressed, by its own time, ms. */
let newestMs = 0;

/**
 * Does what one digit stands for, once it is known that it does not open a code: a scanner that is used over a question
 * must not answer it.
 */
export function afterLoneKey(event: KeyboardEvent, then: () => void): void {
  setTimeout(() => {
    if (newestMs <= event.timeStamp) then();
  }, BETWEEN_MS + 10);
}

/**
 * Listens for a burst of characters ended by Enter, wherever the focus is but in a field. A letter is held for a moment,
 * so that the first of a code is no shortcut; what a number is made of goes through, however fast it is typed, and the
 * screen lets go of it when the code is whole.
 */
function listenForBursts(): () => void {
  let code = '';
  let lastMs = 0;
  let held: ReturnType<typeof setTimeout> | undefined;
  /** Keys that wait, in the order they were pressed. */
  let waiting: KeyboardEvent[] = [];
  /** Keys that were held and are let through. */
  const released = new WeakSet<Event>();
  /** No more came, and no end: the keys were a hand's, and each does what it does. */
  const release = () => {
    const keys = waiting;
    waiting = [];
    code = '';
    for (const { key, code: place, target } of keys) {
      const again = new KeyboardEvent('keydown', { key, code: place, bubbles: true, cancelable: true });
      released.add(again);
      target?.dispatchEvent(again);
      target?.dispatchEvent(new KeyboardEvent('keyup', { key, code: place, bubbles: true }));
    }
  };
  const listen = (event: KeyboardEvent) => {
    if (released.has(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (isField(event.target)) return;
    const { key } = event;
    newestMs = event.timeStamp;
    // By the key's own time: a page that is busy hears all of a burst late.
    if (event.timeStamp - lastMs > BETWEEN_MS) {
      clearTimeout(held);
      release();
    }
    lastMs = event.timeStamp;
    if (key === 'Enter') {
      clearTimeout(held);
      if (code.length < SHORTEST) release();
      else {
        waiting = [];
        event.preventDefault();
        event.stopImmediatePropagation();
        const whole = code;
        takers.findLast((take) => take(whole) !== false);
      }
      code = '';
      return;
    }
    if (key === 'Shift') return;
    // An arrow is a hand's, and no code begins with a space.
    if (key.length !== 1 || (key === ' ' && code === '')) {
      code = '';
      return;
    }
    code += key;
    if (/[\d.,]/.test(key) || (code.length === 1 && !isLetter(key))) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    waiting.push(event);
    clearTimeout(held);
    held = setTimeout(release, BETWEEN_MS);
  };
  // A letter and then a touch are a hand's, in that order.
  const touch = () => {
    clearTimeout(held);
    release();
  };
  window.addEventListener('keydown', listen, { capture: true });
  window.addEventListener('pointerdown', touch, { capture: true });
  return () => {
    clearTimeout(held);
    window.removeEventListener('keydown', listen, { capture: true });
    window.removeEventListener('pointerdown', touch, { capture: true });
  };
}

/**
 * Takes what a scanner types on any screen. The screen shown last is asked first; what it says `false` to goes to the one
 * below it, and at last to the whole application.
 */
export function useScanner(onCode: Taker): void {
  const latest = useRef(onCode);
  latest.current = onCode;
  useEffect(() => {
    const take: Taker = (code) => latest.current(code);
    takers.push(take);
    stopListening ??= listenForBursts();
    return () => {
      takers.splice(takers.indexOf(take), 1);
      if (takers.length > 0) return;
      stopListening?.();
      stopListening = undefined;
    };
  }, []);
}
