import { createHmac, randomBytes } from 'node:crypto';
import { describe, expect, it } from '@jest/globals';
import { ServerCodes } from './server-codes.ts';

const secret = randomBytes(32);
const said = { person: 'u-vane', untilMs: 1 };

describe('codes of the shop’s servers', () => {
  it('are read by any server with the secret, and by none without', () => {
    const code = new ServerCodes(secret).write('leave', said);
    expect(new ServerCodes(secret).read('leave', code)).toEqual(said);
    expect(new ServerCodes().read('leave', code)).toBeUndefined();
  });
  it('open nothing but what they were made for', () => {
    const codes = new ServerCodes(secret);
    for (const purpose of ['reading', 'passkey', 'ticket'] as const)
      expect(codes.read(purpose, codes.write('leave', said))).toBeUndefined();
    expect(codes.read('leave', codes.write('reading', said))).toBeUndefined();
  });
  it('are none of ours where a letter is changed, missing or added', () => {
    const codes = new ServerCodes(secret);
    const code = codes.write('ticket', said);
    expect(codes.read('ticket', code)).toEqual(said);
    for (let at = 0; at < code.length; at++) {
      const other = `${code.slice(0, at)}${code[at] === 'A' ? 'B' : 'A'}${code.slice(at + 1)}`;
      // The last letter of each part may carry bits that decode to nothing.
      const last = at === code.length - 1 || code[at + 1] === '.';
      if (!last) expect(codes.read('ticket', other)).toBeUndefined();
    }
    for (const wrong of [undefined, '', '.', code.slice(1), code.slice(0, -4), `x${code}`])
      expect(codes.read('ticket', wrong)).toBeUndefined();
  });
  it('of readings are as they were before there were others: what waits on a tablet still holds', () => {
    const text = Buffer.from(JSON.stringify({ id: 'r-1' })).toString('base64url');
    const mac = createHmac('sha256', secret).update(text).digest('base64url');
    expect(new ServerCodes(secret).read('reading', `${text}.${mac}`)).toEqual({ id: 'r-1' });
  });
});
