import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { addressKey, isStop, QUIET, quietMinutes, reachedBy, waitAfterMs } from './message.ts';

describe('how an owner is reached', () => {
  it.each([
    ['0711 12 34 56', { channel: 'sms', to: '0711 12 34 56' }],
    ['Tam, +44 (0)711-123456, after six', { channel: 'sms', to: '+44 (0)711-123456' }],
    ['tam@river.test', { channel: 'mail', to: 'tam@river.test' }],
    ['Mail <tam@river.test>, 0711 123456', { channel: 'mail', to: 'tam@river.test' }],
    ['', undefined],
    ['the yard office', undefined],
    ['bay 12', undefined],
  ])('“%s”', (contact, reached) => {
    expect(reachedBy(contact)).toEqual(reached);
  });
  it('one address however it is spaced', () => {
    expect(addressKey('0711 12-34')).toBe(addressKey('07111234'));
    expect(addressKey('Tam@River.test ')).toBe('tam@river.test');
  });
});

describe('when', () => {
  it('no message goes out in the quiet hours, whatever minute it was made in', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1439 }), (minute) => {
        const sent = (minute + quietMinutes(minute)) % 1440;
        expect(sent >= QUIET.toMin && sent < QUIET.fromMin).toBe(true);
        expect(quietMinutes(sent)).toBe(0);
      }),
    );
  });
  it('one made in the day goes at once, one made at night at eight', () => {
    expect([quietMinutes(10 * 60), quietMinutes(22 * 60), quietMinutes(60), quietMinutes(20 * 60 - 1)]).toEqual([
      0, 600, 420, 0,
    ]);
  });
  it('quiet hours inside one day work too', () => {
    expect(quietMinutes(13 * 60, { fromMin: 12 * 60, toMin: 14 * 60 })).toBe(60);
  });
  it('is tried again later and later, and given up', () => {
    const waits = [1, 2, 3, 4].map((tries) => waitAfterMs(tries) ?? 0);
    expect([...waits].sort((a, b) => a - b)).toEqual(waits);
    expect(waitAfterMs(5)).toBeUndefined();
  });
  it('knows who wants no more', () => {
    expect(['STOP', ' stop please', 'Stopped by today', 'I will stop by', 'No more'].map(isStop)).toEqual([
      true,
      true,
      false,
      false,
      true,
    ]);
  });
});
