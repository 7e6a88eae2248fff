import { useEffect } from 'react';
import { useSettings } from './settings-store.ts';

/** Elements that take keys for themselves. */
const TYPING = new Set(['INPUT', 'TEXTAREA', 'SELECT']);

/**
 * Runs the one big action of the screen on Space and on the foot pedal's key. Not while something is typed, and
 * not while a dialog is open: there the keys belong to it.
 */
export function usePrimaryKey(action: (() => void) | undefined): void {
  const pedalKey = useSettings((state) => state.pedalKey);
  useEffect(() => {
    if (!action) return undefined;
    const onKey = (event: KeyboardEvent) => {
      const pressed = event.code === 'Space' || (pedalKey !== '' && event.code === pedalKey);
      if (!pressed || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      const target = event.target instanceof HTMLElement ? event.target : undefined;
      if (target && TYPING.has(target.tagName)) return;
      if (document.querySelector('[role="dialog"]')) return;
      // Space on a focused button would press that button as well.
      event.preventDefault();
      action();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [action, pedalKey]);
}
