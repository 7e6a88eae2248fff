import { describe, expect, it } from '@jest/globals';
import { limitsInWords } from './limits-in-words.ts';

describe('a limit that stands in words alone', () => {
  it.each<[string, object | undefined]>([
    ['Clearance hose to spring: min 10 mm each side', { unit: 'mm', min: 10, places: ['left', 'right'] }],
    ['Gap between tray and cooler: not less than 12 mm', { unit: 'mm', min: 12 }],
    ['Air line away from exhaust: 75 mm at least', { unit: 'mm', min: 75 }],
    ['Axle centred: left/right difference max 4 mm', { unit: 'mm', max: 4 }],
    ['Front must be 20 to 28 mm higher, measure again', { unit: 'mm', min: 20, max: 28 }],
    ['Gap 0.3 … 0,5 mm', { unit: 'mm', min: 0.3, max: 0.5 }],
    ['Gap at the latch 3 mm to 5 mm', { unit: 'mm', min: 3, max: 5 }],
    ['Keep the clearance between 3 and 6 mm', { unit: 'mm', min: 3, max: 6 }],
    ['Height 812 mm ± 5 mm', { unit: 'mm', min: 807, max: 817 }],
    ['Reveal 4.5 +/- 0.5 mm both sides', { unit: 'mm', min: 4, max: 5, places: ['left', 'right'] }],
    ['Parallel within 1/16', undefined],
    ['Clear of the shaft by at least 1.5 in', { unit: 'in', min: 1.5 }],
    ['Camber not more than 0.5°', { unit: '°', max: 0.5 }],
    // Sizes, quantities and times are no readings.
    ['Drill 10 to 12 mm', undefined],
    ['Fit the 40 mm bracket', undefined],
    ['Screws 3 and 5 mm apart', undefined],
    ['Use the 6 mm and 8 mm bits', undefined],
    ['Wait at least 30 minutes', undefined],
    ['Fill 1.9 L of axle oil', undefined],
    ['Torque 45 N·m', undefined],
    ['Have a look', undefined],
  ])('%s', (text, limit) => expect(limitsInWords(text)).toEqual(limit));
});
