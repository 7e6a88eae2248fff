import { describe, expect, it } from '@jest/globals';
import { parseThread } from '../fastener/thread.ts';
import { crestsOf } from '../fastener/which-thread.ts';
import { nextLook, whichLine } from './which-line.ts';

const line = (id: string, thread: string, lengthMm: number, propertyClass = '10.9') => ({
  id,
  kind: 'bolt' as const,
  name: 'Bolt',
  thread,
  lengthMm,
  propertyClass,
});
const LIST = [
  line('short', 'M10 x 1.5', 30),
  line('long', 'M10 x 1.5', 35),
  line('fine', 'M10 x 1.25', 30),
  line('soft', 'M10 x 1.5', 30, '8.8'),
  line('inch', '3/8-16', 31.75, '8'),
  line('small', 'M8 x 1.25', 25),
];
const best = (measured: Parameters<typeof whichLine>[0]) => whichLine(measured, LIST).lines[0];

describe('which bolt of the list it is', () => {
  it.each([
    [{ majorMm: 9.85, pitchMm: 1.5, lengthMm: 35.3, propertyClass: '10.9' }, 'long'],
    [{ majorMm: 9.85, pitchMm: 1.5, lengthMm: 29.8, propertyClass: '8.8' }, 'soft'],
    [{ majorMm: 9.85, pitchMm: 1.25, lengthMm: 30 }, 'fine'],
    [{ majorMm: 9.42, lengthMm: 31.5 }, 'inch'],
    [{ majorMm: 7.85 }, 'small'],
  ])('%j is the %s one', (measured, id) => {
    expect(best(measured)?.item.id).toBe(id);
    expect(best(measured)?.chance).toBeGreaterThan(0.9);
  });
  it('chances add up to one with that of none', () => {
    const { lines, ofNone } = whichLine({ majorMm: 9.8, lengthMm: 33 }, LIST);
    expect(lines.reduce((sum, { chance }) => sum + chance, ofNone)).toBeCloseTo(1, 9);
  });
  it('a bolt of no line is said to be of none', () => {
    expect(whichLine({ majorMm: 11.85, pitchMm: 1.75, lengthMm: 60 }, LIST).ofNone).toBeGreaterThan(0.95);
    expect(whichLine({ majorMm: 9.85 }, []).ofNone).toBe(1);
  });
  it('between two that only their heads tell apart neither is sure, and the mark is asked for', () => {
    const measured = { majorMm: 9.85, pitchMm: 1.5, lengthMm: 30 };
    const { lines } = whichLine(measured, LIST);
    expect(lines[0]?.chance).toBeLessThan(0.6);
    expect(nextLook(lines, measured)).toBe('propertyClass');
  });
  it('with the diameter alone the length or the pitch comes next, and with all nothing', () => {
    const { lines } = whichLine({ majorMm: 9.85 }, LIST);
    expect(['lengthMm', 'propertyClass', 'pitchMm']).toContain(nextLook(lines, { majorMm: 9.85 }));
    const all = { majorMm: 9.85, pitchMm: 1.5, lengthMm: 35, propertyClass: '10.9' };
    expect(nextLook(whichLine(all, LIST).lines, all)).toBeUndefined();
  });
  it('a reading in the middle of every line of the list finds that line, or says what still to measure', () => {
    for (const item of LIST) {
      const read = parseThread(item.thread);
      if (!read.ok) throw new Error(item.thread);
      const { thread } = read.value;
      const { minMm, maxMm } = crestsOf(thread);
      const measured = {
        majorMm: (minMm + maxMm) / 2,
        pitchMm: thread.pitchMm,
        lengthMm: item.lengthMm,
        propertyClass: item.propertyClass,
      };
      expect(best(measured)?.item.id).toBe(item.id);
    }
  });
  it('a finish or a magnet tells apart what measuring does not, and is asked for then', () => {
    const zinc = { ...line('zinc', 'M8 x 1.25', 25), finish: 'zinc' };
    const black = { ...line('black', 'M8 x 1.25', 25), finish: 'black' };
    const stainless = line('stainless', 'M8 x 1.25', 25, 'A2-70');
    const measured = { majorMm: 7.85, pitchMm: 1.25, lengthMm: 25 };
    const two = whichLine(measured, [zinc, black]).lines;
    expect(nextLook(two, measured)).toBe('finish');
    expect(whichLine({ ...measured, finish: 'black' }, [zinc, black]).lines[0]).toMatchObject({
      item: { id: 'black' },
    });
    expect(nextLook(whichLine(measured, [line('steel', 'M8 x 1.25', 25), stainless]).lines, measured)).toBe('magnetic');
    const left = whichLine({ ...measured, magnetic: false }, [line('steel', 'M8 x 1.25', 25), stainless]).lines[0];
    expect(left).toMatchObject({ item: { id: 'stainless' } });
    expect(left?.chance).toBeGreaterThan(0.8);
  });
});
