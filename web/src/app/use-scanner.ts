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

/**
 * Listens for a burst of characters ended by Enter, wherever the focus is but in a field. A letter is held for a moment,
 * so that the first of a code is no shortcut; what a number is made of goes through, however fast it is typed, and the
 * screen lets go of it when the code is whole.
 */
function listenForBursts(): () => void {
  let code = '';
  let lastMs = 0;
  let held: ReturnType<typeof setTimeout> | undefined;
  /** Keys that were held and are let through. */
  const released = new WeakSet<Event>();
  const listen = (event: KeyboardEvent) => {
    if (released.has(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (isField(event.target)) return;
    const { key } = event;
    const nowMs = performance.now();
    if (nowMs - lastMs > BETWEEN_MS) code = '';
    lastMs = nowMs;
    if (key === 'Enter') {
      if (code.length >= SHORTEST) {
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
    clearTimeout(held);
    if (/[\d.,]/.test(key) || (code.length === 1 && !isLetter(key))) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (code.length > 1) return;
    const { target, code: place } = event;
    held = setTimeout(() => {
      const again = new KeyboardEvent('keydown', { key, code: place, bubbles: true, cancelable: true });
      released.add(again);
      target?.dispatchEvent(again);
      target?.dispatchEvent(new KeyboardEvent('keyup', { key, code: place, bubbles: true }));
    }, BETWEEN_MS);
  };
  window.addEventListener('keydown', listen, { capture: true });
  return () => {
    clearTimeout(held);
    window.removeEventListener('keydown', listen, { capture: true });
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
