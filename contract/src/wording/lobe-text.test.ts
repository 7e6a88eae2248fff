import { describe, expect, it } from '@jest/globals';
import { eccentricFor } from '#core/geometry/eccentric.ts';
import { lobeAdviceText } from './lobe-text.ts';

const advice = (nowDeg: number, lobeDeg: number, lobeOut: 'topOut' | 'topIn' = 'topOut') => {
  const answer = eccentricFor({ eccentric: { authorityDeg: 1.2, lobeOut }, nowDeg, aimDeg: -0.5, lobeDeg });
  if (!answer.ok) throw new Error(answer.error.field);
  return lobeAdviceText({
    place: 'front left',
    side: 'left',
    lobeDeg,
    readDeg: nowDeg,
    aimDeg: -0.5,
    answer: answer.value,
  });
};

describe('what a lobe is to do, in words', () => {
  it.each([
    [
      -1.5,
      0,
      'topOut',
      'front left: -1.50°, aim -0.50°. Turn the lobe 56° outwards, to 56° from neutral: top goes out, to -0.50°.',
    ],
    [
      -1.5,
      0,
      'topIn',
      'front left: -1.50°, aim -0.50°. Turn the lobe 56° inwards, to -56° from neutral: top goes out, to -0.50°.',
    ],
    [
      0.4,
      20,
      'topOut',
      'front left: +0.40°, aim -0.50°. Turn the lobe 44° inwards, to -24° from neutral: top goes in, to -0.50°. It stands on the side that leads away from the aim.',
    ],
    [-0.5, 10, 'topOut', 'front left: -0.50°, the lobe stays.'],
  ] as const)('%d with the lobe at %d, %s', (now, lobe, sense, text) => expect(advice(now, lobe, sense)).toBe(text));
  it('says what is not reached', () =>
    expect(advice(-3, 0)).toMatch(/It reaches -1\.80° and no farther: 1\.30° are missing\.$/));
});
