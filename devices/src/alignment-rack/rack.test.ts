import { describe, expect, it } from '@jest/globals';
import { AlignmentSchema, readAlignment, readingAt } from '#contract/alignment.ts';
import { rackReading } from './rack.ts';

const ask = (lobeDeg?: number) => ({
  vehicle: 'v-1',
  wheels: ['front left', 'front right'].map((wheel) => ({
    wheel,
    ...(lobeDeg === undefined ? {} : { lobeDeg, authorityDeg: 1.2, lobeOut: 'topOut' as const }),
  })),
});

describe('the alignment rack’s stand-in', () => {
  it('speaks the open format, and reads the same vehicle the same', () => {
    const reading = rackReading(ask(), 1000);
    expect(AlignmentSchema.parse(reading)).toEqual(reading);
    expect(rackReading(ask(), 1000)).toEqual(reading);
    expect(readingAt(reading, 'front left', 'camberDeg')).not.toBe(readingAt(reading, 'front right', 'camberDeg'));
  });
  it('follows an eccentric: a quarter turn outwards is its authority', () => {
    const camber = (lobe: number) => readingAt(rackReading(ask(lobe), 0), 'front left', 'camberDeg') ?? 0;
    expect(camber(90) - camber(0)).toBeCloseTo(1.2, 1);
    expect(camber(-90) - camber(0)).toBeCloseTo(-1.2, 1);
  });
  it('is read from a file of it, JSON or CSV', () => {
    const reading = rackReading(ask(), 5);
    expect(readAlignment(JSON.stringify(reading), 9)).toEqual({ ok: true, value: reading });
    const csv = `wheel,camberDeg,toeDeg\n${reading.wheels.map((w) => `${w.wheel},${w.camberDeg},${w.toeDeg}`).join('\n')}`;
    const read = readAlignment(csv, 9);
    expect(read.ok && readingAt(read.value, 'Front, LEFT', 'camberDeg')).toBe(reading.wheels[0]?.camberDeg);
  });
  it.each([
    ['', 'file', 'is empty'],
    ['{', 'file', 'is no JSON'],
    ['place,camberDeg\nfront left,-1', 'line 1', 'no column wheel'],
    ['wheel,camber\nfront left,-1', 'line 1', 'column camber'],
    ['wheel,camberDeg\nfront left,wide', 'line 2, camberDeg', 'is no number'],
    ['wheel,camberDeg\nfront left,-95', 'wheels.0.camberDeg', '-30'],
    ['{"format":"other"}', 'format', ''],
  ])('says what is wrong with %j', (text, where, what) => {
    const read = readAlignment(text, 0);
    expect(read).toMatchObject({ ok: false, error: { where } });
    expect(read.ok ? '' : read.error.what).toContain(what);
  });
});
