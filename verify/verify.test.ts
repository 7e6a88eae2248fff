import { createHash, generateKeyPairSync, sign } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { canonicalJson } from '#core/record/canonical-json.ts';
import { chainHash, checkChain } from '#core/record/chain.ts';
import { canonical, followChain, isSigned, isTheShops, sha256 } from './chain.mjs';
import { checkRecord } from './record.mjs';
import { main } from './verify.mjs';
import { FINDING_CODES, inWords } from './words.mjs';

const signer = () => {
  const { privateKey, publicKey } = generateKeyPairSync('ed25519');
  const key = publicKey.export({ format: 'der', type: 'spki' }).toString('base64');
  return {
    key,
    sign: (text: string) => ({ text, key, signature: sign(null, Buffer.from(text), privateKey).toString('base64') }),
  };
};

describe('the arithmetic, against what is published', () => {
  it('SHA-256: the one-block and the two-block message of FIPS 180-4', () => {
    expect(sha256('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
    expect(sha256('abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq')).toBe(
      '248d6a61d20638b8e5c026930c3e6039a33ce45964ff2167f6ecedd419db06c1',
    );
  });
  it('Ed25519: test 1 of RFC 8032, 7.1, and not with a bit turned', () => {
    const raw = Buffer.from('d75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a', 'hex');
    // SPKI of RFC 8410: a fixed head before the 32 bytes.
    const key = Buffer.concat([Buffer.from('302a300506032b6570032100', 'hex'), raw]).toString('base64');
    const signature = Buffer.from(
      'e5564300c360ac729086e2cc806e828a84877f1eb8e5d974d873e065224901555fb8821590a33bacc61e39701cf9b46bd25bf5f0595bbe24655141438e7a100b',
      'hex',
    );
    expect(isSigned({ text: '', key, signature: signature.toString('base64') })).toBe(true);
    signature[0] = (signature[0] ?? 0) ^ 1;
    expect(isSigned({ text: '', key, signature: signature.toString('base64') })).toBe(false);
    expect(isSigned({ text: '', key: 'no key', signature: '' })).toBe(false);
  });
  it('canonical JSON: the sorting example of RFC 8785, 3.2.3', () => {
    const sorted = canonical({ '\u20ac': 'Euro Sign', '\r': 'Carriage Return', '1': 'One', '\u0080': 'Control' });
    // By UTF-16 code units.
    expect([...sorted.matchAll(/"(Carriage Return|One|Control|Euro Sign)"/g)].map(([, name]) => name)).toEqual([
      'Carriage Return',
      'One',
      'Control',
      'Euro Sign',
    ]);
    expect(canonical({ 10: 1, 9: 2, '': 3 })).toBe('{"":3,"10":1,"9":2}');
  });
});

describe('two programs written apart agree', () => {
  it('on the canonical text of whatever there is', () => {
    fc.assert(fc.property(fc.jsonValue(), (value) => canonical(value) === canonicalJson(value)));
  });
  it('on where a chain breaks: entries changed, dropped, swapped, cut at the end', () => {
    const hash = (text: string) => createHash('sha256').update(text).digest('hex');
    fc.assert(
      fc.property(
        fc.array(fc.record({ type: fc.constantFrom('a', 'b'), n: fc.integer() }), { minLength: 2, maxLength: 12 }),
        fc.constantFrom('none', 'change', 'drop', 'swap', 'cut'),
        fc.nat(),
        (events, how, where) => {
          let before = '0'.repeat(64);
          const links = events.map((event, index) => {
            before = chainHash(hash, before, index + 1, event);
            return { seq: index + 1, hash: before, event };
          });
          const head = { seq: links.length, hash: before };
          const at = where % (links.length - 1);
          const given = links.map((link) => ({ ...link }));
          if (how === 'change') given[at] = { ...(given[at] as (typeof given)[0]), event: { type: 'a', n: 1e9 } };
          if (how === 'drop') given.splice(at, 1);
          if (how === 'swap') given.splice(at, 2, given[at + 1] as never, given[at] as never);
          if (how === 'cut') given.pop();
          const mine = followChain('0'.repeat(64), given, head);
          expect(mine).toEqual(checkChain(hash, '0'.repeat(64), given, [head]));
          expect(mine.breaks.length > 0).toBe(how !== 'none');
        },
      ),
    );
  });
});

describe('the shop’s key', () => {
  it('is followed over its changes in any order, and over none that another signed', () => {
    const [first, second, third, stranger] = [signer(), signer(), signer(), signer()];
    const to = (next: string) => JSON.stringify({ format: 'wrenchman-key-change', version: 1, next });
    const changes = [second.sign(to(third.key)), first.sign(to(second.key))];
    expect(isTheShops(third.key, first.key, changes)).toBe(true);
    expect(isTheShops(first.key, third.key, changes)).toBe(false);
    expect(isTheShops(stranger.key, first.key, [...changes, stranger.sign(to(stranger.key))])).toBe(false);
    const forged = { ...first.sign(to(second.key)), text: to(stranger.key) };
    expect(isTheShops(stranger.key, first.key, [forged])).toBe(false);
  });
});

describe('what is no record', () => {
  it.each([
    ['nothing', null],
    ['another file', { format: 'other' }],
    ['one that was cut', { format: 'wrenchman-record', job: {}, shop: {}, vehicle: {}, answers: {}, kits: [] }],
  ])('%s is said to be none, with why', (_, value) => {
    expect(checkRecord(value)).toMatchObject([{ code: 'notARecord', severity: 'altered' }]);
  });
  it('every finding has words', () => {
    for (const code of FINDING_CODES)
      expect(
        inWords({ code, severity: 'note', at: [1], what: ['job'], seq: 1, key: 'k', why: 'w', name: 'n', count: 2 }),
      ).toMatch(/\.$/);
  });
  it('the command says how it is called, and which file cannot be read', () => {
    const said: string[] = [];
    expect(main([], (text) => said.push(text))).toBe(2);
    expect(main(['/no/such/file'], (text) => said.push(text))).toBe(1);
    expect(said.join('')).toMatch(/FILE-OR-FOLDER[\s\S]*ALTERED[\s\S]*no such file/);
  });
});

it('the program leans on nothing but Node and itself', () => {
  for (const file of readdirSync('verify').filter((name) => name.endsWith('.mjs'))) {
    const from = [...readFileSync(`verify/${file}`, 'utf8').matchAll(/from '([^']+)'/g)].map(([, name = '']) => name);
    expect(from.filter((name) => !name.startsWith('node:') && !/^\.\/[\w-]+\.mjs$/.test(name))).toEqual([]);
  }
});
