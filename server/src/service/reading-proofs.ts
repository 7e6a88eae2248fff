import { createHmac, randomBytes, randomUUID, timingSafeEqual } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import type { PullCommand } from '#core/job/act/pull.ts';

/** What a live wrench read at the end of a pull. */
export interface LiveReading {
  station: string;
  torqueNm: number;
  angleDeg: number;
  movementDeg: number;
  gradientShare?: number;
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
});
type Issued = z.infer<typeof IssuedSchema>;

/** Readings remembered as used; a shop's pulls of several days. */
const REMEMBERED = 50_000;

/**
 * Shows that a reading said to be live came from a wrench of the shop: the server hands each out with a code over it that
 * only the server can make (HMAC-SHA-256, RFC 2104), and takes it back once.
 */
export class ReadingProofs {
  private readonly used = new LRUCache<string, string>({ max: REMEMBERED });

  /** @param secret - kept where the server's key is, so that a reading outlives a restart */
  constructor(private readonly secret: Buffer = randomBytes(32)) {}

  private codeOf(text: string): Buffer {
    return createHmac('sha256', this.secret).update(text).digest();
  }

  issue(shop: string, wrench: string, reading: LiveReading): string {
    const issued: Issued = { id: randomUUID(), shop, wrench, ...reading };
    const text = Buffer.from(JSON.stringify(issued)).toString('base64url');
    return `${text}.${this.codeOf(text).toString('base64url')}`;
  }

  private read(issued: string | undefined): Issued | undefined {
    const [text = '', code = ''] = (issued ?? '').split('.');
    const given = Buffer.from(code, 'base64url');
    const right = this.codeOf(text);
    if (given.length !== right.length || !timingSafeEqual(given, right)) return undefined;
    return IssuedSchema.safeParse(JSON.parse(Buffer.from(text, 'base64url').toString())).data;
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
      moved &&
      (pull.angleDeg === undefined || pull.angleDeg === issued.angleDeg)
    );
  }

  /** Marks a reading as used by a command. False where another command had it. Typed pulls have none. */
  takeOnce(pull: PullCommand, command: string): boolean {
    const issued = this.read(pull.issued);
    if (!issued) return pull.source !== 'live';
    const by = this.used.get(issued.id);
    if (by !== undefined && by !== command) return false;
    this.used.set(issued.id, command);
    return true;
  }
}
