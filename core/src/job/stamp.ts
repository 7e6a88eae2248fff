import type { EventClock } from './command-time.ts';
import type { Person } from './role.ts';

/** When something was done, and by whom. */
export interface When {
  atMs: number;
  by: Person;
}

/** With the command that did it: what one command did is found by its id, never by the clock. */
export interface Stamp extends When {
  commandId: string;
}

/** How a person showed that it was really they who gave a command that needs it. */
export const PROOF_KINDS = ['pin', 'passkey'] as const;
export type ProofKind = (typeof PROOF_KINDS)[number];

/** Where a fact came from, beside who and when: sealed with it. Absent on events of earlier versions. */
export interface Origin {
  /** The device it was given on, by the id the server gave that device. */
  device?: string;
  clock?: EventClock;
  /** The key it was signed with. */
  signingKey?: string;
  proof?: ProofKind;
}
