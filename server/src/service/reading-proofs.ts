import { createHash, randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { PullCommand } from '#core/job/act/pull.ts';
import type { ServerCodes } from './server-codes.ts';

/** What a live wrench read at the end of a pull. */
export interface LiveReading {
  station: string;
  torqueNm: number;
  angleDeg: number;
  movementDeg: number;
  gradientShare?: number;
  /** The packed trace of the pull. */
  trace?: string;
}

const IssuedSchema = z.strictObject({
  id: z.uuid(),
  shop: z.string(),
  wrench: z.string(),
  station: z.string(),
  torqueNm: z.number(),
  angleDeg: z.number(),
  movementDeg: z.number(),
  gradientShare: z.number().optional(),
  /** SHA-256 of the packed trace, so that the code stays short. */
  traceHash: z.string().optional(),
});
type Issued = z.infer<typeof IssuedSchema>;

const hashOf = (trace: string): string => createHash('sha256').update(trace).digest('base64url');

/** A reading used once is remembered as long as a tablet may keep it to itself (chosen by us: a season in a drawer). */
const REMEMBERED_MS = 200 * 86_400_000;

/** Where it is kept what was used. */
export interface Once {
  spend(id: string, by: string, untilMs: number): Promise<boolean>;
}

/**
 * Shows that a reading said to be live came from a wrench of the shop: the server hands each out with a code of its own
 * over it, and takes it back once.
 */
export class ReadingProofs {
  constructor(
    private readonly codes: ServerCodes,
    private readonly once: Once,
    private readonly now: () => number = Date.now,
  ) {}

  issue(shop: string, wrench: string, { trace, ...reading }: LiveReading): string {
    const issued: Issued = {
      id: randomUUID(),
      shop,
      wrench,
      ...reading,
      ...(trace ? { traceHash: hashOf(trace) } : {}),
    };
    return this.codes.write('reading', issued);
  }

  private read(issued: string | undefined): Issued | undefined {
    return IssuedSchema.safeParse(this.codes.read('reading', issued)).data;
  }

  /** Whether a pull is just what a wrench of this shop read. */
  holds(pull: PullCommand, shop: string): boolean {
    const issued = this.read(pull.issued);
    if (!issued || issued.shop !== shop || issued.wrench !== pull.wrench || issued.station !== pull.station)
      return false;
    // A castle nut is turned on to its slot: it has moved by both pulls, of which this is the last.
    const moved = pull.movementDeg === undefined || pull.movementDeg >= issued.movementDeg - 1e-9;
    return (
      issued.torqueNm === pull.torqueNm &&
      issued.gradientShare === pull.gradientShare &&
      // A tablet of before gives no trace; one that gives a trace gives the wrench's own.
      (pull.trace === undefined || hashOf(pull.trace) === issued.traceHash) &&
      moved &&
      (pull.angleDeg === undefined || pull.angleDeg === issued.angleDeg)
    );
  }

  /** Marks a reading as used by a command. False where another command had it. Typed pulls have none. */
  async takeOnce(pull: PullCommand, command: string): Promise<boolean> {
    const issued = this.read(pull.issued);
    if (!issued) return pull.source !== 'live';
    return this.once.spend(`reading ${issued.id}`, command, this.now() + REMEMBERED_MS);
  }
}
