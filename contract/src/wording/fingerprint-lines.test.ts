import { expect, it } from '@jest/globals';
import { fingerprintLines } from './fingerprint-lines.ts';

it('a fingerprint stands in lines of eight pairs, none lost', () => {
  const pairs = Array.from({ length: 32 }, (_, at) => at.toString(16).padStart(2, '0').toUpperCase());
  const lines = fingerprintLines(pairs.join(':'));
  expect(lines).toHaveLength(4);
  expect(lines[0]).toBe('00 01 02 03 04 05 06 07');
  expect(lines.join(' ').split(' ')).toEqual(pairs);
  expect(fingerprintLines('AB:CD')).toEqual(['AB CD']);
});
