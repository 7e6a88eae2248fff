import { z } from 'zod';
import type { ServerCodes } from './server-codes.ts';

/** From typing a PIN to the command it was typed for, with a poor line between. */
const LEAVE_MS = 5 * 60_000;

const LeaveSchema = z.strictObject({ person: z.string(), command: z.string(), untilMs: z.number() });

/**
 * Leave to give one command, bought with a PIN: for browsers that can make no keys, because the page came over plain
 * http. Counts for that command alone, and at every server of the shop.
 */
export class Leaves {
  constructor(
    private readonly codes: ServerCodes,
    private readonly now: () => number = Date.now,
  ) {}

  give(person: string, command: string): string {
    return this.codes.write('leave', { person, command, untilMs: this.now() + LEAVE_MS });
  }

  /** Whether a leave stands for this command. It stays until it runs out: a command may be sent twice. */
  stands(leave: string, person: string, command: string): boolean {
    const given = LeaveSchema.safeParse(this.codes.read('leave', leave)).data;
    return given?.person === person && given.command === command && given.untilMs > this.now();
  }
}
