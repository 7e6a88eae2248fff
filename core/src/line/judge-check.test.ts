import { describe, expect, it } from '@jest/globals';
import type { Check } from '../kit/kit-preparation.ts';
import { checkMisses, limitsOf, mirrored } from './judge-check.ts';

const check = (more: Partial<Check>): Check => ({ id: 'c', text: 'Gap', unit: 'mm', ...more });

describe('what a check is judged by', () => {
  it('a target with its tolerance, unless limits are printed', () => {
    expect(limitsOf(check({ target: 10, tolerance: 0.5 }))).toEqual({ min: 9.5, max: 10.5 });
    expect(limitsOf(check({ target: 0.17, tolerance: 0.08 }))).toEqual({ min: 0.09, max: 0.25 });
    expect(limitsOf(check({ target: 10, tolerance: 1, max: 10 }))).toEqual({ min: 9, max: 10 });
  });
  it('its spread, and what it is centred by: half of what left and right are apart', () => {
    const places = ['left', 'right'];
    const read = { 'at left': 100, 'at right': 106 };
    expect(checkMisses(check({ places, spread: 5 }), read)).toEqual(['at left', 'at right']);
    expect(checkMisses(check({ places, spread: 6 }), read)).toEqual([]);
    expect(checkMisses(check({ places, spread: 3, symmetry: 'centred' }), read)).toEqual([]);
    expect(checkMisses(check({ places, spread: 2.9, symmetry: 'centred' }), read)).toEqual(['at left', 'at right']);
  });
  it('left against right of each end, whatever front and rear are', () => {
    const places = ['front left', 'front right', 'rear left', 'rear right'];
    expect(mirrored(places)).toEqual([
      ['front left', 'front right'],
      ['rear left', 'rear right'],
    ]);
    const read = { 'at front left': 512, 'at front right': 518, 'at rear left': 560, 'at rear right': 563 };
    expect(checkMisses(check({ places, sides: 5 }), read)).toEqual(['at front left', 'at front right']);
  });
  it('over a travel the difference, with the sign it came with', () => {
    const bump = check({ places: ['left'], travel: { from: 'full droop', to: 'full bump' }, min: -1, max: 1 });
    expect(checkMisses(bump, { 'at left from': 3, 'at left to': 3.8 })).toEqual([]);
    expect(checkMisses(bump, { 'at left from': 3, 'at left to': 5 })).toEqual(['at left from', 'at left to']);
    expect(checkMisses(bump, { 'at left from': 3 })).toEqual([]);
  });
  it('a tenth is a tenth, not what a subtraction makes of it', () =>
    expect(checkMisses(check({ places: ['a', 'b'], spread: 0.1 }), { 'at a': 0.3, 'at b': 0.2 })).toEqual([]));
});
