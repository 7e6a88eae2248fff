import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { spacerText } from '#contract/wording/spacer-text.ts';
import { type SpacerOn, spacerFits, spacerRange } from './owner-spacer.ts';
import { answerAllowed } from './resolve.ts';

/** M12 × 1.5, 45 mm of stud, 15 mm of wheel at it: 30 mm stand out, and a nut wants one diameter (common practice, no source). */
const STUD: SpacerOn = { thread: 'M12 x 1.5', studMm: 45, wheelMm: 15 };

describe('a spacer of the owner’s', () => {
  it.each([
    [0, true],
    [18, true],
    [18.5, false],
    [30, false],
  ])('%s mm on an open nut: %s', (mm, fits) => {
    expect(spacerFits(STUD, mm)).toBe(fits);
  });
  it('a closed nut bottoms where the spacer is too thin', () => {
    const closed = { ...STUD, closedNutMm: 20 };
    expect(spacerRange(closed)).toEqual({ leastMm: 10, mostMm: 18 });
    expect(spacerFits(closed, 5)).toBe(false);
    expect(spacerFits(closed, 12)).toBe(true);
  });
  it('fits exactly inside the range that is said (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 60, noNaN: true }), fc.integer({ min: 14, max: 30 }), (mm, closedNutMm) => {
        const on = { ...STUD, closedNutMm };
        const range = spacerRange(on);
        if (!range || Math.abs(mm - range.leastMm) < 1e-6 || Math.abs(mm - range.mostMm) < 1e-6) return;
        expect(spacerFits(on, mm)).toBe(mm > range.leastMm && mm < range.mostMm);
      }),
    );
  });
  it('one that does not fit is no answer to its question', () => {
    const question = { id: 'q', text: 'Owner’s spacer?', kind: 'number' as const, spacer: STUD };
    expect(answerAllowed(question, 10)).toBe(true);
    expect(answerAllowed(question, 25)).toBe(false);
  });
  it('its question says what the stud takes', () => {
    expect(spacerText(STUD)).toBe('This stud takes at most 18 mm.');
    expect(spacerText({ ...STUD, closedNutMm: 20 })).toContain('at least 10 mm');
    expect(spacerText({ ...STUD, studMm: 26 })).toContain('0 mm');
    expect(spacerText({ ...STUD, thread: 'no thread' })).toContain('cannot be read');
  });
});
