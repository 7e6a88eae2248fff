import type { JobEvent } from './acts.ts';
import { CHOCKS } from './chocks.ts';

/**
 * Version of the shape in which events are stored. An event says its own; one that says none is of version 1.
 * What is stored is never rewritten: it is lifted when it is read, and its hash stays over what was stored.
 */
export const EVENT_VERSION = 2;

/** An event as some version stored it. */
export interface StoredFact {
  type: string;
  version?: number;
}

/** What each version is lifted by, to the next. A fact that did not change passes as it is. */
const STEPS: Readonly<Record<number, (event: StoredFact) => StoredFact>> = {
  // Where the chocks stood was free text; from version 2 on it is one of a closed list.
  1: (event) => {
    if (event.type !== 'stepDone' || !('chocks' in event)) return event;
    const { chocks, ...rest } = event;
    return (CHOCKS as readonly unknown[]).includes(chocks) ? event : rest;
  },
};

/**
 * An event in today's shape.
 *
 * @throws where it was stored by a newer application than this one: its meaning cannot be guessed
 */
export function currentEvent(stored: StoredFact): JobEvent {
  const from = stored.version ?? 1;
  if (from > EVENT_VERSION) throw new Error(`An event of version ${from} was stored by a newer application`);
  let event = stored;
  for (let version = from; version < EVENT_VERSION; version++) event = STEPS[version]?.(event) ?? event;
  return event as JobEvent;
}

/** Whether this application can read an event: it knows the version. Whether it knows the fact, `fold` says. */
export const isReadable = ({ version = 1 }: StoredFact): boolean => version <= EVENT_VERSION;
