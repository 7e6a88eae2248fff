import { describe, expect, it } from '@jest/globals';
import type { Check } from '../kit/kit-preparation.ts';
import { evenUp } from './even-up.ts';

const check = (symmetry: Check['symmetry'], places = ['left', 'right'], spread = 2): Check => ({
  id: 'c',
  text: '',
  unit: 'mm',
  places,
  spread,
  symmetry,
});

describe('what brings places together', () => {
  it('level: the high one down or the low one up, by all of it', () =>
    expect(evenUp(check('level'), { 'at left': 415.5, 'at right': 411 })).toMatchObject({
      most: { place: 'left' },
      least: { place: 'right' },
      apart: 4.5,
      move: 4.5,
      met: false,
    }));
  it('centred: half of it, towards the wider gap', () =>
    expect(evenUp(check('centred'), { 'at left': 12, 'at right': 8.3 })).toMatchObject({
      most: { place: 'left' },
      move: 1.85,
      met: true,
    }));
  it('of four places the two farthest apart', () =>
    expect(
      evenUp(check('parallel', ['a', 'b', 'c', 'd']), { 'at a': 5, 'at b': 7.2, 'at c': 4.1, 'at d': 6 }),
    ).toMatchObject({ most: { place: 'b' }, least: { place: 'c' }, apart: 3.1 }));
  it('has nothing to say of one reading, nor of a check without a symmetry', () => {
    expect(evenUp(check('level'), { 'at left': 4 })).toBeUndefined();
    expect(evenUp(check(undefined), { 'at left': 4, 'at right': 9 })).toBeUndefined();
  });
});
