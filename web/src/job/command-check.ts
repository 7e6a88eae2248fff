import { JobCommandSchema } from '#contract/acts.ts';
import { type InputFault, inputFaults } from '#contract/job.ts';

/** Where a command is not one the server can read; empty where it is. */
export function commandFaults(command: unknown): InputFault[] {
  const read = JobCommandSchema.safeParse(command);
  return read.success ? [] : inputFaults(read.error);
}
