import { describe, expect, it } from '@jest/globals';
import { dueText } from './aftercare-text.ts';

describe('when aftercare is due', () => {
  it.each([
    [{ afterHeatCycles: 1 }, 'after 1 heat cycle'],
    [{ afterHeatCycles: 3, afterKm: 800 }, 'after 800 km (497 mi) or after 3 heat cycles'],
    [{ event: 'every evening' }, 'every evening'],
    [{ event: 'after the first long tow' }, 'after the first long tow'],
    [{ event: 'first tow', repeats: true }, 'at the first tow, and again each time'],
    [{ event: 'the first tow' }, 'at the first tow'],
    [{ event: '50 hours of use' }, 'after 50 hours of use'],
    [{}, ''],
  ])('%j is told as %s', (due, text) => expect(dueText(due, 'metric')).toBe(text));
});
