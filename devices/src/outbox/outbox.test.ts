import { describe, expect, it } from '@jest/globals';
import { OutboxStandIn, UNDERWAY_MS } from './outbox.ts';

const sms = (to: string, over: object = {}) => ({
  reference: to,
  channel: 'sms' as const,
  to,
  text: 'Wheel nuts',
  ...over,
});

describe('the gateway’s stand-in', () => {
  it('has a message underway, and then delivered', () => {
    let nowMs = 0;
    const outbox = new OutboxStandIn(() => nowMs);
    expect(outbox.hand(sms('0711 12 34'))).toEqual({ taken: true });
    expect(outbox.fate('0711 12 34')).toBe('underway');
    nowMs += UNDERWAY_MS;
    expect(outbox.fate('0711 12 34')).toBe('delivered');
    expect(outbox.delivered()).toHaveLength(1);
  });
  it('is busy once, and never delivers twice under one reference', () => {
    const outbox = new OutboxStandIn(() => 0);
    expect(outbox.hand(sms('123 459'))).toMatchObject({ taken: false, later: true });
    expect(outbox.hand(sms('123 459'))).toEqual({ taken: true });
    expect(outbox.hand(sms('123 459', { text: 'Another' }))).toEqual({ taken: true });
  });
  it('refuses for good what cannot arrive, and knows nothing of what it never had', () => {
    const outbox = new OutboxStandIn(() => 0);
    expect(outbox.hand(sms('123 400'))).toMatchObject({ taken: false, later: false, why: 'no such number' });
    expect(outbox.hand(sms('1', { text: 'x'.repeat(2000) }))).toMatchObject({ later: false, why: 'too long' });
    expect(outbox.hand({ reference: 'm', channel: 'mail', to: 'tam00@river.test', text: 'x' })).toMatchObject({
      later: false,
    });
    expect(outbox.fate('none')).toBe('unknown');
  });
});
