import { describe, expect, it } from '@jest/globals';
import { readStages } from './printed-stages.ts';

describe('stages as a sheet prints them', () => {
  it.each([
    ['50 %, 100 %', undefined, [0.5, 1]],
    ['30; 60; 100', undefined, [0.3, 0.6, 1]],
    ['50 %, 100 %, 100 %', undefined, [0.5, 1, 1]],
    ['27 N·m, 54 N·m', 54, [0.5, 1]],
    // 40 lbf·ft are 54.23 N·m: the printed pair is the same torque (1 lbf·ft = 1.3558 N·m, NIST SP 811).
    ['20 lbf·ft, 40 lbf·ft', 54.23, [0.5, 1]],
  ] as const)('%s of %s', (text, targetNm, expected) => {
    const read = readStages(text, targetNm);
    expect(read).toHaveLength(expected.length);
    read?.forEach((share, place) => {
      expect(share).toBeCloseTo(expected[place] as number, 3);
    });
  });
  it.each([
    ['falls', '100 %, 50 %', undefined],
    ['never full', '30 %, 60 %', undefined],
    ['above full', '50 %, 120 %', undefined],
    ['torques of joints that differ', '20 N·m, 54 N·m', undefined],
    ['no torque', '20 mm, 54 N·m', 54],
    ['six of them', '10, 20, 30, 40, 50, 100', undefined],
    ['nothing', '', 54],
    ['words', 'half, then full', 54],
  ])('is refused where it %s', (_, text, targetNm) => expect(readStages(text, targetNm)).toBeUndefined());
});
