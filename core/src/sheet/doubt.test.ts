import { describe, expect, it } from '@jest/globals';
import { doubts } from './doubt.ts';
import { readSheet } from './read-sheet.ts';

const codes = (text: string): string[] => {
  const { facts } = readSheet(text);
  return [...doubts(facts)].map(([index, doubt]) => `${facts[index]?.printed}: ${doubt.code}`);
};

describe('what wants a look before it is taken', () => {
  it.each([
    ['M10 bolts 38 ft-lb. M10 nuts 41 ft-lb. M10 studs 470 ft-lb.', '470 ft-lb: twelveTimes'],
    ['Torque to 30 Nm (30 ft-lb).', '30 Nm (30 ft-lb): pairDisagrees'],
    ['Torque to 40 lb.', '40 lb: forceForTorque'],
    ['Remove the two 16 mm bolts.', '16 mm: threadNotSaid'],
    ['Torque to 45 ft-1b.', '45 ft-1b: mended'],
    ['Spinners: hand + 1/4 turn (ca. 80 N m).', '80 N m: nearEnough'],
    ['Torque the M10 bolts to about 40 Nm.', '40 Nm: nearEnough'],
    ['M12 90, M10 40 and M8 20 ft-lb', '90: carried'],
    ['Use thread locker.', 'thread locker: assumed'],
  ])('%s', (text, expected) => expect(codes(text)).toContain(expected));
  it('plain values want none', () => expect(codes('Torque the four M10 bolts to 38 ft-lb.')).toEqual([]));
  it('a hose clamp in inch pounds beside its bolts is no slip of unit', () => {
    expect(
      codes('M10 bolts 38 ft-lb. M8 bolts 20 ft-lb. Clamp 27 in-lb.').filter((text) => text.includes('twelve')),
    ).toEqual([]);
  });
});
