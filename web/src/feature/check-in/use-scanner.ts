import { useEffect, useRef } from 'react';

/** A scanner types a code faster than a hand can, ms between two characters; then Enter. Common practice, no source. */
const BETWEEN_MS = 50;
/** A shorter burst is a hand that drummed. */
const SHORTEST = 4;

/** Letters held back until it is known that no burst follows. */
const isLetter = (key: string): boolean => key.length === 1 && /\p{L}/u.test(key);

/**
 * Listens for a scanner that types: a burst of characters ended by Enter, wherever the focus is but in a field. A letter
 * is held for a moment, so that the first of a code is no shortcut; what a number is made of goes through, however fast
 * it is typed, and the screen lets go of it when the code is whole.
 */
export function useScanner(onCode: (code: string) => void): void {
  const latest = useRef(onCode);
  latest.current = onCode;
  useEffect(() => {
    let code = '';
    let lastMs = 0;
    let held: ReturnType<typeof setTimeout> | undefined;
    /** Keys that were held and are let through. */
    const released = new WeakSet<Event>();
    const listen = (event: KeyboardEvent) => {
      if (released.has(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
      const { key } = event;
      const nowMs = performance.now();
      if (nowMs - lastMs > BETWEEN_MS) code = '';
      lastMs = nowMs;
      if (key === 'Enter') {
        if (code.length >= SHORTEST) {
          event.preventDefault();
          event.stopImmediatePropagation();
          latest.current(code);
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
  }, []);
}
