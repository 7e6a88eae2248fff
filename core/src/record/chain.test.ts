import { createHash } from 'node:crypto';
import { describe, expect, it } from '@jest/globals';
import { canonicalJson } from './canonical-json.ts';
import { type ChainLink, chainHash, checkChain, UNSEALED } from './chain.ts';

const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');
/** A chain of some events, as the server makes one. */
function chained(events: readonly object[], first = UNSEALED): ChainLink[] {
  let hash = first;
  return events.map((event, at) => {
    hash = chainHash(sha256, hash, at + 1, event);
    return { seq: at + 1, hash, event };
  });
}
const events = (count: number) => Array.from({ length: count }, (_, at) => ({ type: 'x', value: at }));

describe('canonical JSON', () => {
  it('is RFC 8785: keys by their UTF-16 units, no spaces, numbers and strings as ECMAScript writes them', () => {
    // RFC 8785, section 3.2.2, the values of its sample; literals and numbers as printed there.
    const sample = {
      numbers: [333333333.3333333, 1e30, 4.5, 2e-3, 0.000000000000000000000000001],
      string: '€$\u000f\nA\'B"\\\\"/',
      literals: [null, true, false],
    };
    expect(canonicalJson(sample)).toBe(
      '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
    );
  });
  it('leaves out what is not there, and is the same for the same thing however its keys came', () => {
    expect(canonicalJson({ b: undefined, a: { d: 1, c: 2 } })).toBe(canonicalJson({ a: { c: 2, d: 1 } }));
  });
});

describe('a chain', () => {
  it('hashes as anybody can: SHA-256 over the hash before, the number and the event', () => {
    // FIPS 180-4: SHA-256 of "abc", as the standard's own example gives it.
    expect(sha256('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
    const [link] = chained([{ b: 1, a: 2 }]);
    expect(link?.hash).toBe(sha256(`${'0'.repeat(64)}\n1\n{"a":2,"b":1}`));
  });
  it('that is whole has no break, whatever it hangs on', () => {
    for (const first of [UNSEALED, 'a seal']) {
      const links = chained(events(20), first);
      expect(checkChain(sha256, first, links, [links.at(-1) as ChainLink])).toEqual({ breaks: [], open: [] });
    }
  });
  it('altered at any one place breaks there, and goes on whole after it', () => {
    const links = chained(events(12));
    for (let at = 0; at < links.length; at++) {
      const altered = links.map((link, index) => (index === at ? { ...link, event: { type: 'forged' } } : link));
      expect(checkChain(sha256, UNSEALED, altered).breaks).toEqual([at + 1]);
    }
  });
  it.each([
    ['one taken out of the middle', (links: ChainLink[]) => links.filter(({ seq }) => seq !== 3), [3, 4], UNSEALED],
    ['two changed places', (links: ChainLink[]) => [links[0], links[2], links[1], ...links.slice(3)], [2, 3], UNSEALED],
    ['another beginning', (links: ChainLink[]) => links, [1], 'another seal'],
  ] as Array<[string, (links: ChainLink[]) => ChainLink[], number[], string]>)('%s', (_, change, wanted, first) => {
    const { breaks } = checkChain(sha256, first, change(chained(events(6))));
    expect(breaks).toEqual(expect.arrayContaining(wanted));
  });
  it('whose end was cut off, or written anew, is found by a head that is kept elsewhere', () => {
    const links = chained(events(6));
    const head = links.at(-1) as ChainLink;
    expect(checkChain(sha256, UNSEALED, links.slice(0, 4), [head]).breaks).toEqual([5]);
    expect(checkChain(sha256, UNSEALED, chained([...events(5), { type: 'y' }]), [head]).breaks).toEqual([6]);
    expect(checkChain(sha256, UNSEALED, [], [{ seq: 0, hash: '' }]).breaks).toEqual([]);
  });
  it('a break is closed by a later, unbroken entry that names it, and only that one', () => {
    const links = chained(events(4)).map((link) => (link.seq === 2 ? { ...link, event: { type: 'forged' } } : link));
    const seen = { type: 'breakAcknowledged', breaks: [2] };
    const hash = chainHash(sha256, links[3]?.hash ?? '', 5, seen);
    const acknowledged = [...links, { seq: 5, hash, event: seen }];
    expect(checkChain(sha256, UNSEALED, acknowledged)).toEqual({ breaks: [2], open: [] });
    // One that itself was put in by hand closes nothing.
    const forged = [...links, { seq: 5, hash: sha256('x'), event: seen }];
    expect(checkChain(sha256, UNSEALED, forged)).toEqual({ breaks: [2, 5], open: [2, 5] });
  });
});
