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
  it.each([
    ['Chock the FRONT wheels.', { type: 'putOn' }],
    ['Support the axle with a second jack before you undo anything.', { type: 'putOn' }],
    ['Swing the bar to one side.', { type: 'swingAside' }],
    ['No winching for 24 hours.', { type: 'wait', minutes: 1440, gates: ['tow'] }],
    ['Leave the car 12 hours before the first pull.', { type: 'wait', minutes: 720, gates: ['tow'] }],
    ['Wait 90 min before you drive.', { type: 'wait', minutes: 90, gates: ['drive'] }],
    ['Let it stand for 1 h before use.', { type: 'wait', minutes: 60, gates: ['drive'] }],
    ['No driving for 2 hours.', { type: 'wait', minutes: 120, gates: ['drive'] }],
  ])('%s', (sentence, action) => expect(said(sentence)).toMatchObject(action));
  it.each(['It is not used again.', 'It is no longer needed.', 'The eye will not be refitted.'])(
    'what came off just before is scrapped, without a step of its own: %s',
    (sentence) => {
      const { removed, steps } = drafted(`1. Remove the towing eye. ${sentence}\n2. Torque the M10 bolts to 40 Nm.`);
      expect(removed).toMatchObject([{ name: 'towing eye', fate: 'scrap' }]);
      expect(steps).toHaveLength(2);
    },
  );
  it.each(['A helper is not needed.', 'It is not required.', 'Paste is no longer needed.'])(
    'nothing comes off where nothing that is known is meant: %s',
    (sentence) => {
      const { removed } = drafted(`1. ${sentence}\n2. Torque the M10 bolts to 40 Nm.`);
      expect(removed).toEqual([]);
    },
  );
  it('what is taken off in other words goes back in other words, and what is not is kept', () => {
    const { removed, disconnects, steps } = drafted(
      '1. Take the bumper off, keep it clean.\n2. Pull the liner out.\n3. Unplug both fog lamps.\n4. Torque the M10 bolts to 40 Nm.\n5. Plug the fog lamps in again.\n6. Bumper back on.',
    );
    expect(removed).toMatchObject([
      { name: 'bumper', fate: 'refit' },
      { name: 'liner', fate: 'keep' },
    ]);
    expect(steps.flatMap(({ actions }) => actions.map(({ type }) => type))).toEqual(
      expect.arrayContaining(['remove', 'disconnect', 'reconnect', 'refit']),
    );
    expect(disconnects).toHaveLength(1);
  });
  it('nothing comes off before anything is undone', () => {
    const { removed } = drafted(
      '1. Support the axle with a jack before you undo anything.\n2. Clean the face.\n3. Torque the M10 bolts to 40 Nm.',
    );
    expect(removed).toEqual([]);
  });
  it('front matter of a numbered sheet is no work: title, packing list, tools', () => {
    const { steps } = drafted(
      'WINCH TRAY\nIn the carton\n  1 off  tray, pressed\n  2 off  side cheek\nWhat you need: 18 mm socket, a mate.\n\na) Clean the face.\nb) Offer the tray up.\nc) Torque the M10 bolts to 40 Nm.\n',
    );
    expect(steps.map(({ text }) => text)).toEqual([
      'Clean the face.',
      'Offer the tray up.',
      'Torque the M10 bolts to 40 Nm.',
    ]);
  });
  it('steps may be numbered with a bar', () => {
    const { steps } = drafted('1 | Clean the face.\n2 | Offer it up.\n3| Torque the M10 bolts to 40 Nm.\n');
    expect(steps.map(({ number }) => number)).toEqual(['1', '2', '3']);
  });
  it.each([
    ['Drill the tab: 1/8 in. pilot, then 29/64 in.', { diameterMm: 11.51, pilotMm: 3.18, size: '29/64 in' }],
    ['Pilot drill 3 mm, then open to 8.5 mm.', { diameterMm: 8.5, pilotMm: 3 }],
    ['Drill out to 13/32 in. with a step drill.', { diameterMm: 10.32, size: '13/32 in' }],
  ])('the hole is the one that is wanted, not its pilot: %s', (sentence, action) => {
    const { steps } = drafted(`1. ${sentence}\n2. Clean the face.\n3. Torque the M10 bolts to 40 Nm.`);
    expect(steps.flatMap(({ actions }) => actions)).toContainEqual(
      expect.objectContaining({ type: 'drill', ...action }),
    );
  });
  it('what is plugged in again is not lost beside its wait', () => {
    const { steps } = drafted(
      '1. Unplug the breather sensor wire; run the hose.\n2. Torque the M10 bolts to 40 Nm.\n3. Plug the sensor in. Wait 15 minutes for the paint.',
    );
    expect(steps.flatMap(({ actions }) => actions.map(({ type }) => type))).toEqual(
      expect.arrayContaining(['disconnect', 'reconnect', 'wait']),
    );
  });
  it('a drive nobody printed stays unknown, and is not made up', () => {
    const { stations } = drafted('1. Clean the face.\n2. Tighten the eye to 40 Nm.\n3. Road test.');
    expect(stations.map(({ drive }) => drive)).toEqual([{ kind: 'unknown' }]);
  });
  it('and the draft holds together', () => {
    const kit = drafted(
      '1. Tape over the hose ends.\n2. Clean the faces.\n3. Torque the M10 bolts to 40 Nm.\n4. Take the tape off.\n5. Road test.',
    );
    expect(kitFaults(kit).filter(({ code }) => code === 'unknownReference')).toEqual([]);
  });
});
