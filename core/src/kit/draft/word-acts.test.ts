import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { kitFaults } from '../kit-integrity.ts';
import { draftKit } from './draft-kit.ts';

const HEAD = { id: 'drafted', title: 'Drafted', maker: 'Lowmoor Fabrication' };
const drafted = (text: string) => {
  const reading = readSheet(text);
  return draftKit(reading, reading.facts, HEAD).kit;
};
/** The first action of the sentence's own step. */
const said = (sentence: string) =>
  drafted(`1. ${sentence}\n2. Torque the M10 bolts to 40 Nm.`).steps.find(({ text }) => sentence.startsWith(text))
    ?.actions[0];

describe('an act read by its words', () => {
  it.each([
    ['Let the radiator cool for 30 minutes.', { type: 'coolDown', what: 'radiator', minutes: 30 }],
    [
      'Wire-brush the chassis faces, both sides.',
      { type: 'clean', places: ['chassis faces, left', 'chassis faces, right'] },
    ],
    ['Degrease the six threaded holes.', { type: 'clean', places: ['six threaded holes'] }],
    ['Spray the rusty nut and wait 20 minutes.', { type: 'soak', minutes: 20 }],
    ['Tape over the open hose ends.', { type: 'putOn', temporary: 'tape' }],
    ['Take the tape off.', { type: 'clear', temporary: 'tape' }],
    ['Let the vehicle down on its wheels.', { type: 'lower' }],
    ['Try the fog lamps.', { type: 'test' }],
    ['Remember the fog lamps.', { type: 'do' }],
  ])('%s', (sentence, action) => expect(said(sentence)).toMatchObject(action));
  it('a gap becomes a check with its limit, each side by itself', () => {
    const { checks, steps } = drafted(
      '1. Gap between tray and cooler: not less than 12 mm, both sides.\n2. Clearance 8 to 15 mm.\n3. Torque the M10 bolts to 40 Nm.',
    );
    expect(checks).toMatchObject([
      { min: 12, unit: 'mm', places: ['left', 'right'] },
      { min: 8, max: 15, unit: 'mm' },
    ]);
    expect(steps.slice(0, 2).map(({ phase }) => phase)).toEqual(['align', 'align']);
  });
  it('heights at all wheels become a baseline of four places', () => {
    const { baselines } = drafted(
      '1. Measure ride height at all four wheels and write it down.\n2. Torque the M10 bolts to 40 Nm.',
    );
    expect(baselines).toMatchObject([
      { quantity: 'rideHeight', places: ['front left', 'front right', 'rear left', 'rear right'] },
    ]);
  });
  it('and the draft holds together', () => {
    const kit = drafted(
      '1. Tape over the hose ends.\n2. Clean the faces.\n3. Torque the M10 bolts to 40 Nm.\n4. Take the tape off.\n5. Road test.',
    );
    expect(kitFaults(kit).filter(({ code }) => code === 'unknownReference')).toEqual([]);
  });
});
