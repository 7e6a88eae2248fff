import type { JobCommand } from './acts.ts';
import type { Person } from './role.ts';

/** A command with who gave it, when, and an id made on the device: sending it twice changes nothing. */
export interface CommandEnvelope {
  id: string;
  atMs: number;
  by: Person;
  device?: string;
  command: JobCommand;
}
