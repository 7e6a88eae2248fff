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
