import { useEffect } from 'react';

/**
 * Keeps the screen from going dark while the line is worked: two hands are full, and nobody taps it awake. The browser lets
 * go of it when the page is hidden; it is asked for again when it is back.
 *
 * @see https://www.w3.org/TR/screen-wake-lock/
 */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let left = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        const taken = await navigator.wakeLock.request('screen');
        if (left) await taken.release();
        else lock = taken;
      } catch {
        // A tablet that saves its battery says no: the screen then goes dark as it always did.
        lock = undefined;
      }
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}
