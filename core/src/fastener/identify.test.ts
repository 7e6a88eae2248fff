import { describe, expect, it } from '@jest/globals';
import { allThreads, identifyThread, nearestWidths, toolContradictions } from './identify.ts';
import { metricThread, parseThread } from './thread.ts';

const names = (measured: Parameters<typeof identifyThread>[0]) => {
  const outcome = identifyThread(measured);
  return outcome.ok ? outcome.value.map((entry) => entry.thread.designation) : outcome.error;
};

describe('identify a thread from what was measured', () => {
  it('finds every listed thread from its own size and pitch', () => {
    for (const thread of allThreads()) {
      const outcome = identifyThread({ majorMm: thread.nominalMm - 0.06, pitchMm: thread.pitchMm });
      const best = outcome.ok ? outcome.value.slice(0, 3).map((entry) => entry.thread.designation) : [];
      expect(best).toContain(thread.designation);
    }
  });
  it('tells M10 × 1.5 from 3/8-16 and M10 × 1.25', () => {
    expect(names({ majorMm: 9.85, pitchMm: 1.5 })).toHaveProperty('0', 'M10 × 1.5');
    expect(names({ majorMm: 9.42, pitchMm: 1.59 })).toHaveProperty('0', '3/8-16');
    expect(names({ majorMm: 9.85, pitchMm: 1.25 })).toHaveProperty('0', 'M10 × 1.25');
  });
  it('a 16 mm socket alone says M10 first, and not only (M02)', () => {
    const found = names({ acrossFlatsMm: 16 });
    expect(found).toHaveProperty('0', 'M10 × 1.5');
    expect(Array.isArray(found) && found.length).toBeGreaterThan(1);
  });
  it('refuses to name anything from nothing', () => expect(identifyThread({}).ok).toBe(false));
});

describe('19 mm fits 3/4 in, 18 does not (19.05; common practice, no source)', () => {
  it('by the sockets', () => {
    const found = nearestWidths(19.05);
    expect(found.find(({ widthMm, inch }) => widthMm === 19 && !inch)?.fits).toBe(true);
    expect(found.find(({ widthMm, inch }) => widthMm === 18 && !inch)?.fits ?? false).toBe(false);
    expect(found[0]).toMatchObject({ inch: true });
  });
});

describe('tools that contradict the thread (M03, M04)', () => {
  it('a 24 mm socket is for M16, not M10', () => {
    const [found] = toolContradictions(metricThread(10, 1.5), { acrossFlatsMm: 24 });
    expect(found).toMatchObject({ code: 'widthNotOfThread', alsoFits: expect.arrayContaining(['M16 × 2']) });
  });
  it('an 8 mm hole passes no M10', () =>
    expect(toolContradictions(metricThread(10, 1.5), { clearanceDrillMm: 8 })[0]).toMatchObject({
      code: 'drillBelowThread',
    }));
  it('is silent about what fits, in both systems', () => {
    const inch = parseThread('3/8-16');
    if (!inch.ok) throw new Error();
    expect(
      toolContradictions(inch.value.thread, { acrossFlatsMm: 14.29, clearanceDrillMm: 10.3, tapDrillMm: 7.94 }),
    ).toEqual([]);
  });
});
