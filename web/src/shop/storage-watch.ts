import { create } from 'zustand';

/** Room that a day's work offline and the jobs to work from need, bytes. */
const LOW = 50e6;
const LOOK_MS = 60_000;

interface StorageState {
  /** Bytes left on this device for what it keeps; undefined where the browser does not say. */
  left?: number;
  low: boolean;
}

/** How much room this device has for what has not been sent. */
export const useStorage = create<StorageState>(() => ({ low: false }));

async function look(): Promise<void> {
  const { quota, usage } = (await navigator.storage?.estimate?.()) ?? {};
  if (quota === undefined || usage === undefined) return;
  const left = Math.max(0, quota - usage);
  useStorage.setState({ left, low: left < LOW });
}

/** Asks the browser not to clear what this device keeps, and watches the room for it. */
export function watchStorage(): () => void {
  void navigator.storage?.persist?.();
  void look();
  const timer = setInterval(() => void look(), LOOK_MS);
  return () => clearInterval(timer);
}
