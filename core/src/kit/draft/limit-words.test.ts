import { describe, expect, it } from '@jest/globals';
import { limitIn } from './limit-words.ts';

describe('what a sentence limits', () => {
  it.each([
    ['Max load per step 120 kg.', 'load'],
    ['Do not exceed 75 kg on the roof rack.', 'load'],
    ['Tow no more than 2500 kg with this bar.', 'towing'],
    ['Maximum trailer weight 3,500 lb.', 'towing'],
    ['Keep at least 35 psi in the air springs.', 'inflation'],
    ['Inflation pressure: max. 7 bar.', 'inflation'],
    ['Maximum speed with the carrier 80 km/h.', 'speed'],
    ['The carrier may bear 35 kg.', 'load'],
    ['The bar may tow 1500 kg.', 'towing'],
    ['Tyres up to 265/70 R17 clear the arch.', 'tyre'],
  ] as const)('“%s” is of %s', (text, kind) => expect(limitIn(text)).toBe(kind));
  it.each([
    'Tighten to 45 Nm at most.',
    'The kit weighs 12 kg.',
    'Leave at least 10 mm to the hose.',
    'Use a jack rated for 2 t.',
    'Two people lift the bar.',
    'You may hold the 40 kg bar with straps.',
    'The old bracket may be used again.',
  ])('“%s” limits nothing of the vehicle’s use', (text) => expect(limitIn(text)).toBeUndefined());
});
