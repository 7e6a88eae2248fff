import { randomBytes } from 'node:crypto';

/** From typing a PIN to the command it was typed for, with a poor line between. */
const LEAVE_MS = 5 * 60_000;
const MOST = 1000;

interface Leave {
  person: string;
  command: string;
  untilMs: number;
}

/**
 * Leave to give one command, bought with a PIN: for browsers that can make no keys, because the page came over plain
 * http. Counts once, and only at the server that gave it.
 */
export class Leaves {
  private readonly given = new Map<string, Leave>();

  constructor(private readonly now: () => number = Date.now) {}

  give(person: string, command: string): string {
    const nowMs = this.now();
    for (const [known, { untilMs }] of this.given) if (untilMs <= nowMs) this.given.delete(known);
    if (this.given.size >= MOST) this.given.clear();
    const leave = randomBytes(24).toString('base64url');
    this.given.set(leave, { person, command, untilMs: nowMs + LEAVE_MS });
    return leave;
  }

  /** Whether a leave stands for this command. It stays until it runs out: a command may be sent twice. */
  stands(leave: string, person: string, command: string): boolean {
    const given = this.given.get(leave);
    return given?.person === person && given.command === command && given.untilMs > this.now();
  }
}
