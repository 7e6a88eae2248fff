import { describe, expect, it } from '@jest/globals';
import { records } from '../../sheet/record-lines.ts';
import { kitFaults } from '../kit-integrity.ts';
import { drafted, joints } from './fixture/drafted.ts';

describe('a note of the counter', () => {
  const kit = drafted(`for Tam - sill guard, Tuesday
in the bag: 4 bolts M10x30, 2 screws M6x16, 1 guard

-> unplug the sensor on the left
-> guard up, everything by hand first
-> 4x front bolts M10x30 -> 45!! not 60
-> 2x cover screws M6 -> 8
all Nm
front ones get copper grease, the cover screws stay dry
-> plug the sensor in again
`);
  it('gives each clause to the joint it names', () => {
    expect(joints(kit).map(({ stations, compound }) => [stations, compound])).toEqual([
      [4, 'antiSeize'],
      [2, undefined],
    ]);
    expect(kit.groups.map(({ title }) => title)).toEqual(['Front bolts', 'Cover screws M6']);
  });
  it('puts the grease on before the bolts are started, where the note names it last', () => {
    const order = kit.steps.flatMap(({ actions }) => actions.map(({ type }) => type));
    expect(order.indexOf('apply')).toBeLessThan(order.indexOf('start'));
    expect(order.at(-1)).toBe('reconnect');
  });
  it('makes no step of the unit', () => expect(kit.steps.map(({ text }) => text)).not.toContain('all Nm'));
  it('holds together', () => expect(kitFaults(kit)).toEqual([]));
});

describe('an export of fields', () => {
  const text = `kit: strut brace SB-2
joint: brace to tower
 fastener: nut M8 flange
 qty: 6
 torque: 23 Nm
joint: centre clamp
 fastener: bolt M10x1.25x45 10.9
 qty: 2
 torque: 48 Nm
 angle: 45 deg
---
before: remove the cowl cover
after: refit the cowl cover
`;
  const kit = drafted(text);
  it('has a record for each joint, and none of what stands around them', () =>
    expect(records(text).map(({ start, end }) => text.slice(start, end).split('\n').length)).toEqual([4, 5]));
  it('makes a joint of each, called as it is called', () => {
    expect(kit.groups.map(({ title, stations }) => [title, stations.length])).toEqual([
      ['Brace to tower', 6],
      ['Centre clamp', 2],
    ]);
    expect(kit.stations.at(-1)?.specs[0]?.spec).toMatchObject({ kind: 'torqueAngle', thresholdNm: 48, angleDeg: 45 });
  });
  it('makes steps of work alone, and none of a rule', () =>
    expect(kit.steps.map(({ actions }) => actions.at(-1)?.type)).toEqual(['torque', 'torque', 'remove', 'refit']));
  it('takes no two fields for a record', () => expect(records('torque: 20 Nm\nqty: 4\n')).toEqual([]));
});
