import { describe, expect, it } from '@jest/globals';
import { limitsInWords } from '../../quantity/limits-in-words.ts';
import { authorityIn, camberIn, namesCamberSetter } from './camber-words.ts';

describe('a camber in words', () => {
  it.each([
    ['Camber shall be -0.5 deg +/- 0.5 deg.', -0.5, 0.5, 'front left'],
    ['Set the camber to −1,0° ± 0,25°.', -1, 0.25, 'front left'],
    ['Rear camber between -1.5 and -0.5 degrees.', -1, 0.5, 'rear left'],
    ['Camber: 0.2 ± 0.3°', 0.2, 0.3, 'front left'],
  ])('%s', (text, targetDeg, toleranceDeg, place) => {
    const read = camberIn(text);
    expect(read?.targetDeg).toBeCloseTo(targetDeg, 9);
    expect(read?.toleranceDeg).toBeCloseTo(toleranceDeg, 9);
    expect(read?.places[0]).toBe(place);
  });
  it.each(['Write down the camber of both wheels.', 'Camber bolts M14 x 1.5, 2 off.', 'Caster 3 ± 0.5°.'])(
    '%s asks for none',
    (text) => expect(camberIn(text)).toBeUndefined(),
  );
  it('and what moves it', () => {
    expect(authorityIn('Each cam moves camber by up to 1.2 deg.')).toBe(1.2);
    expect(authorityIn('The eccentric bolt changes the camber by 1,75° each way.')).toBe(1.75);
    expect(authorityIn('Turn the cam until camber is 0.5 deg.')).toBeUndefined();
    expect(namesCamberSetter('cam washer against the bracket')).toBe(true);
    expect(namesCamberSetter('strut spacer')).toBe(false);
  });
  it('keeps its minus in a limit that is measured, and a dash between figures is none', () => {
    expect(limitsInWords('Camber shall be -0.5 deg +/- 0.5 deg.')).toMatchObject({ min: -1, max: 0, unit: '°' });
    expect(limitsInWords('Gap 3-5 mm.')).toMatchObject({ min: 3, max: 5 });
    expect(limitsInWords('Gap 3 - 5 mm.')).toMatchObject({ min: 3, max: 5 });
    expect(limitsInWords('The gain shall be 35 to 45 mm.')).toMatchObject({ min: 35, max: 45 });
    expect(limitsInWords('Toe at least −0.2°.')).toMatchObject({ min: -0.2 });
  });
});
