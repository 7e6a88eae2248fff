import type { JobCommand } from './acts.ts';
import type { Person } from './role.ts';
import type { Origin } from './stamp.ts';

/** A command with who gave it, when, and an id made on the device: sending it twice changes nothing. */
export interface CommandEnvelope extends Origin {
  id: string;
  atMs: number;
  by: Person;
  command: JobCommand;
}
