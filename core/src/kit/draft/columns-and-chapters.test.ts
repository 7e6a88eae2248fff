import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { drafted, joints } from './fixture/drafted.ts';

describe('a page of two columns with steps numbered on', () => {
  const kit = drafted(`  1 Remove the wheel and the              6 Mount drop link, nuts finger
    old drop link (2 nuts 17).              tight.
  2 Undo the bar clamps.                  7 Lower onto wheels. Nuts of the
  3 Grease the new bushes inside            drop link 55 Nm, hold the ball
    with the sachet.                        stud with a 6 mm key.
  4 Bar in, clamps on, four M8            8 Wheel 110 Nm.
    screws loosely.                       9 Drive 50 km. Wheel again
  5 Centre bar, M8 screws 25 Nm.            110 Nm.
                                         10 Keep the torque wrench (20-
                                            120 Nm) for that.
`);
  it('is read down the left and then down the right', () => {
    expect([...new Set(kit.steps.map(({ number }) => number))]).toEqual('123456789'.split('').concat('10'));
    expect(kit.steps.map(({ text }) => text)).toContain(
      'Nuts of the drop link 55 Nm, hold the ball stud with a 6 mm key.',
    );
  });
  it('starts by hand what its own step speaks of, though another figure stands lower on the paper', () => {
    const started = kit.steps.flatMap(({ number, actions }) =>
      actions.flatMap((action) => (action.type === 'start' ? [[number, action.group]] : [])),
    );
    expect(started.slice(0, 2)).toEqual([
      ['4', 'group-1'],
      ['6', 'group-2'],
    ]);
  });
  it('has the wheel once, and no joint of the wrench’s range over a broken line', () => {
    expect(joints(kit).map(({ nm }) => nm)).toEqual([25, 55, 110]);
  });
});

describe('a chapter of a manual', () => {
  const kit =
    drafted(`4.2.1  Clean the carrier faces. Ring gear bolts must be new (10 off, M10 x 1.25 x 25, class 12.9).
4.2.3  Apply high-strength threadlocker to the ring gear bolts. Tighten crosswise: stage 1  40 N·m, stage 2  70 N·m, stage 3  +30°.
4.2.4  Fit bearings. Drag torque with new bearings 1.8 to 2.6 N·m.
4.2.6  Backlash 0.13 to 0.20 mm at four points.
4.2.7  Pinion nut: new, 180 to 220 N·m; stop at once when the drag torque is reached. Never turn back. If 220 N·m is passed without drag, fit a new crush sleeve.
4.2.10 Breakaway torque of the locking unit, one wheel up: 110 N·m or more. Below 80 N·m return the unit.
`);
  it('has its stages, its angle, its pieces and its locker from the sentences around', () => {
    expect(joints(kit)[0]).toMatchObject({ stations: 10, pieces: ['bolt'], compound: 'threadlockerHigh' });
    const [station] = kit.stations;
    expect(station?.specs[0]?.spec).toMatchObject({ kind: 'torqueAngle', thresholdNm: 70, angleDeg: 30 });
    expect(kit.groups[0]?.stages?.at(-1)).toBe(1);
  });
  it('makes no joint of a drag torque, a breakaway torque or what sends the unit back', () => {
    expect(kit.groups).toHaveLength(2);
    const nut = kit.stations.find(({ id }) => id === kit.groups[1]?.stations[0]);
    expect(nut?.specs[0]?.spec).toMatchObject({ kind: 'range', minNm: 180, maxNm: 220 });
  });
  it('measures the backlash', () => {
    expect(kit.checks).toMatchObject([{ min: 0.13, max: 0.2, unit: 'mm' }]);
  });
});

describe('an approval sheet', () => {
  const kit = drafted(`fixing point   bolt            per side    tightening torque
a              M12x1,25x45     2           95 Nm
b              M12x1,25x110    1           95 Nm

Ball: two bolts M16x1,5, 210 Nm.
Test bench fixture: M16, 250 Nm (not applicable to the vehicle).
The ball's diameter shall be not less than 49,0 mm.
`);
  it('doubles what a column counts per side, left and right', () => {
    expect(joints(kit).map(({ stations, nm }) => [stations, nm])).toEqual([
      [4, 95],
      [2, 95],
      [2, 210],
    ]);
    expect(kit.stations.slice(0, 4).map(({ label }) => label)).toEqual(['L1', 'L2', 'R1', 'R2']);
  });
  it('tests nothing on a bench of the maker’s, and measures the ball', () => {
    expect(kit.checks).toMatchObject([{ min: 49, unit: 'mm' }]);
  });
});

describe('a translation', () => {
  const kit = drafted(`Point 1. Demontage of the air box, 3 screws inner six-edge 5.
Point 3. Set in new pipe, clamp tighten with 5 Nm, maximal 6 Nm.
Point 4. Holder A is screwed on the head with 2 piece screw M8x16, moment of turning 22 Nm, thread glue middle.
Point 6. Montage of the air box in turned over order, 4 Nm.
Point 7. Run engine 10 min, after cooling clamp again tighten with 5 Nm.
Moment of the engine rises to 410 Nm.
`);
  it('is numbered by its points', () => {
    expect([...new Set(kit.steps.map(({ number }) => number))]).toEqual(['1', '3', '4', '6', '7']);
  });
  it('has an end where it says maximal, a middle locker, and no joint of the engine', () => {
    expect(joints(kit).map(({ nm, compound }) => [nm, compound])).toEqual([
      [5, undefined],
      [22, 'threadlockerMedium'],
      [4, undefined],
    ]);
    expect(kit.stations[0]?.specs[0]?.spec).toMatchObject({ targetNm: 5, maximumNm: 6 });
  });
  it('takes the air box off and puts it back in turned over order', () => {
    const acts = kit.steps.flatMap(({ actions }) => actions.map(({ type }) => type));
    expect(acts.filter((type) => type === 'remove' || type === 'refit')).toEqual(['remove', 'refit']);
  });
});

it('`eight M12s` counts bolts', () => {
  const counts = readSheet('You pull the eight M12s, 95 Nm.').facts.flatMap(({ value }) =>
    value.kind === 'count' ? [[value.count, value.noun]] : [],
  );
  expect(counts).toEqual([[8, 'bolt']]);
});
