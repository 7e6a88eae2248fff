import { useLayoutEffect, useRef } from 'react';
import { useSettings } from '../shop/settings.ts';

/** Elements that take keys for themselves. */
const TYPING = new Set(['INPUT', 'TEXTAREA', 'SELECT']);

/**
 * Runs the one big action of the screen on Space and on the foot pedal's key. Not while something is typed, and
 * not while a dialog is open: there the keys belong to it, unless the action is the dialog's own.
 */
export function usePrimaryKey(action: (() => void) | undefined, { inDialog = false } = {}): void {
  const pedalKey = useSettings((state) => state.pedalKey);
  const newest = useRef(action);
  // In step with what is painted: a key pressed the moment the bar changes must find the new action.
  useLayoutEffect(() => {
    newest.current = action;
  }, [action]);
  // Listens before the screen that asks for it is painted: what is seen can be pressed.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const pressed = event.code === 'Space' || (pedalKey !== '' && event.code === pedalKey);
      if (!pressed || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      const target = event.target instanceof HTMLElement ? event.target : undefined;
      if (target && TYPING.has(target.tagName)) return;
      if (!inDialog && document.querySelector('[role="dialog"]')) return;
      if (!newest.current) return;
      // Space on a focused button would press that button as well.
      event.preventDefault();
      newest.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [pedalKey, inDialog]);
}
