import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';

/** What a code is for: one made for another purpose opens nothing. */
export type CodePurpose = 'reading' | 'leave' | 'passkey' | 'ticket' | 'ownerLink' | 'calendar';

/**
 * What only this shop's servers can have said, carried by whoever it was said to (HMAC-SHA-256, RFC 2104): any of them
 * knows it again, and none has to remember it.
 */
export class ServerCodes {
  /** @param secret - kept where the server's key is, so that a code outlives a restart */
  constructor(private readonly secret: Buffer = randomBytes(32)) {}

  private macOf(purpose: CodePurpose, text: string): Buffer {
    // Readings were first, and had no purpose to tell apart: what waits on a tablet since then still holds.
    const signed = purpose === 'reading' ? text : `${purpose}\n${text}`;
    return createHmac('sha256', this.secret).update(signed).digest();
  }

  write(purpose: CodePurpose, said: object): string {
    const text = Buffer.from(JSON.stringify(said)).toString('base64url');
    return `${text}.${this.macOf(purpose, text).toString('base64url')}`;
  }

  /** What a code says; undefined where it is none of ours. */
  read(purpose: CodePurpose, code: string | undefined): unknown {
    const [text = '', mac = ''] = (code ?? '').split('.');
    const given = Buffer.from(mac, 'base64url');
    const right = this.macOf(purpose, text);
    if (given.length !== right.length || !timingSafeEqual(given, right)) return undefined;
    return JSON.parse(Buffer.from(text, 'base64url').toString());
  }
}
