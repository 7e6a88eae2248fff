import { describe, expect, it } from '@jest/globals';
import { orderNumber, promise, SUPPLIER } from './supplier.ts';

const at = (iso: string) => Date.parse(iso);
const BOLT = { name: 'Flange bolt', thread: 'M10 x 1.5', quantity: 4, special: false };

describe('the supplier’s counter', () => {
  it.each([
    // A Wednesday: asked early enough for the morning’s van, for the afternoon’s, for none of that day.
    ['2026-11-25T07:00:00Z', '2026-11-25T09:00:00Z'],
    ['2026-11-25T08:00:00Z', '2026-11-25T14:00:00Z'],
    ['2026-11-25T13:00:00Z', '2026-11-26T09:00:00Z'],
    // A Friday afternoon: no van on the weekend.
    ['2026-11-27T13:00:00Z', '2026-11-30T09:00:00Z'],
  ])('asked at %s, the van comes at %s', (asked, comes) => {
    expect(promise(BOLT, at(asked))).toEqual({ supplier: SUPPLIER, promisedMs: at(comes) });
  });

  it('what is made for one kit comes from its maker, days later', () => {
    expect(promise({ ...BOLT, special: true }, at('2026-11-25T07:00:00Z')).promisedMs).toBe(at('2026-11-30T09:00:00Z'));
    expect(promise({ name: 'Bracket', quantity: 1, special: false }, at('2026-11-23T07:00:00Z')).promisedMs).toBe(
      at('2026-11-26T09:00:00Z'),
    );
  });

  it('no two orders have one number', () => {
    const numbers = [orderNumber(0, 1), orderNumber(0, 2), orderNumber(60_000, 1)];
    expect(new Set(numbers).size).toBe(3);
  });
});
