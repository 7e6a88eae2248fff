import { create } from 'zustand';
import { refreshBacklog } from './backlog.ts';
import { keepCommands } from './outbox.ts';
import type { OutboxEntry } from './outbox-entry.ts';

interface UnkeptState {
  /** Given on this device and not written: its store is full or fails. None of it is on record, whatever screen is shown. */
  entries: OutboxEntry[];
  /** How often such entries could be written after all. */
  rekept: number;
}

export const useUnkept = create<UnkeptState>(() => ({ entries: [], rekept: 0 }));

/** A write failed. */
export const noteUnkept = (entry: OutboxEntry): void =>
  useUnkept.setState(({ entries }) => ({ entries: [...entries, entry] }));

/** Writes what could not be written once more, as it was given then. False where it still cannot. */
export async function keepUnkept(): Promise<boolean> {
  const { entries } = useUnkept.getState();
  try {
    await keepCommands(entries);
  } catch {
    // The alarm stays: it is still not kept.
    return false;
  }
  const ids = new Set(entries.map(({ id }) => id));
  useUnkept.setState((state) => ({
    entries: state.entries.filter(({ id }) => !ids.has(id)),
    rekept: state.rekept + 1,
  }));
  await refreshBacklog();
  return true;
}

/** They are known to be lost. */
export const dismissUnkept = (): void => useUnkept.setState({ entries: [] });
