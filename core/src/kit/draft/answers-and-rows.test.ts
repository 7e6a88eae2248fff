import { describe, expect, it } from '@jest/globals';
import { lintKit } from '../lint/lint.ts';
import { drafted, joints } from './fixture/drafted.ts';

describe('questions and answers by their letters', () => {
  const kit = drafted(`Receiver bar and ball mount: what people ask us

Q. What's in the box?
A. One receiver bar, one ball mount, one 50 mm ball with its nut (M22 x 1.5), four M12 x 1.75 x 40 bolts class 10.9, four hardened washers 12 mm, and two M10 x 1.5 x 30 bolts class 8.8.

Q. What comes off first?
A. Take out the four screws of the under-tray and keep them. Unplug the parking sensor loom.

Q. Then?
A. Lift the bar, get all four M12 bolts in by hand with a washer under each head, and the two M10 bolts. The M12s go in dry.

Q. How tight?
A. M12: 55 Nm first, then 110 Nm. M10: 47 Nm afterwards. Ball nut: 300 Nm, held at the flats.

Q. And the ball?
A. Grease on the ball only, never on its thread.

Q. How do I know it's right?
A. The bar is level within 3 mm, left to right, measured from the ground. The ball centre is between 350 and 420 mm above the ground.

Q. Anything later?
A. Put the under-tray screws back (6 Nm) and the sensor plug, of course.
`);
  const actions = kit.steps.flatMap((step) => step.actions);
  it('makes no step of a letter or a question, and takes what is counted in an answer for the list', () => {
    expect(kit.steps.map(({ text }) => text)).not.toContainEqual(expect.stringMatching(/^[QA]\.|\?$|^One receiver/));
    expect(kit.items.slice(0, 6).map(({ kind, quantity }) => [kind, quantity])).toEqual([
      ['part', 1],
      ['part', 1],
      ['part', 1],
      ['bolt', 4],
      ['washer', 4],
      ['bolt', 2],
    ]);
  });
  it('takes a size before a colon for no model of the vehicle, and grease for the ball alone', () => {
    expect(kit.questions).toEqual([]);
    expect(joints(kit)).toMatchObject([
      { stations: 4, nm: 110, pieces: ['bolt', 'washer'], compound: undefined },
      { stations: 2, nm: 47, compound: undefined },
      { title: 'Ball nut', stations: 1, nm: 300, compound: undefined },
      { title: 'Under-tray screws', stations: 4, nm: 6 },
    ]);
  });
  it('puts back what an answer far below puts back, and plugs in what was unplugged', () => {
    expect(kit.removed).toMatchObject([{ count: 4, fate: 'refit' }]);
    expect(actions).toContainEqual({ type: 'refit', removed: kit.removed[0]?.id });
    expect(actions).toContainEqual({ type: 'reconnect', disconnect: kit.disconnects[0]?.id });
  });
  it('starts by hand every size its sentence names, and nothing that is not there yet', () => {
    const started = kit.steps.map(({ actions: own }) =>
      own.flatMap((action) =>
        action.type === 'start' ? (kit.groups.find(({ id }) => id === action.group)?.title ?? '') : [],
      ),
    );
    expect(started.filter((groups) => groups.length > 0)).toEqual([
      ['M12 × 1.75 bolts', 'M10 × 1.5 bolts'],
      ['Ball nut'],
      ['Under-tray screws'],
    ]);
  });
  it('measures what must lie between, and what the sides may differ by', () => {
    expect(kit.checks).toMatchObject([
      { spread: 3, unit: 'mm', places: ['left', 'right'] },
      { min: 350, max: 420, unit: 'mm' },
    ]);
  });
  it('has nothing that keeps it from being released', () => {
    expect(lintKit(kit).filter(({ severity }) => severity === 'error')).toEqual([]);
  });
});

describe('what is unclipped, detached and lifted off', () => {
  const kit = drafted(`FRONT SPACERS
4.1 Raise the vehicle. Remove both front wheels (6 nuts each).
4.2 Unclip the brake hose from the strut on each side.
4.3 Detach the tie-rod end, one per side.
4.4 Refit the strut. Tighten the M10 x 1.25 strut-top nuts to 45 Nm.
4.5 Connect the tie-rod ends. Tighten the tie-rod nuts M14 x 1.5 to 70 Nm.
4.6 Clip in the brake hose.
4.7 Fit wheels. Tighten the M12 x 1.5 wheel nuts to 120 Nm.
4.8 The gain shall be 35 to 45 mm and the left and right shall agree within 6 mm.
`);
  it('goes back where the sheet puts it back, each by its own name', () => {
    const backIn = (id?: string) =>
      kit.steps.find(({ actions }) => actions.some((action) => action.type === 'refit' && action.removed === id))
        ?.number;
    expect(kit.removed.map(({ id, name, count }) => [count, name, backIn(id)])).toEqual([
      [2, 'front wheels', '4.7'],
      [2, 'brake hose', '4.6'],
      [2, 'tie-rod end', '4.5'],
    ]);
  });
  it('counts for a joint what came off it, where its own sentence says no number', () => {
    expect(joints(kit).map(({ nm, stations }) => [nm, stations])).toContainEqual([120, 12]);
    expect(joints(kit).map(({ nm, stations }) => [nm, stations])).toContainEqual([70, 2]);
  });
  it('holds a range and what the sides may differ by in one check', () => {
    expect(kit.checks).toMatchObject([{ min: 35, max: 45, spread: 6 }]);
  });
});

describe('a table of fasteners with a figure in every row', () => {
  const kit = drafted(`COIL-OVER CONVERSION, FRONT AXLE

 pos | fastener                          | qty | lubricant         | torque              | remark
-----+-----------------------------------+-----+-------------------+---------------------+----------------------
 10  | top mount nut M10x1.25 cl.10      |  6  | dry               | 47 Nm               | new nuts
 11  | piston rod nut M14x1.5            |  2  | -                 | 75 Nm               | hold rod with 8 mm hex
 12  | fork pinch bolt M10x1.5-55 10.9   |  2  | anti-seize        | 44 Nm (dry: 55 Nm)  |
 13  | lower bush bolt M14x1.5-95 10.9   |  2  | dry               | 90 Nm + 60 deg      | wheels on the ground
 14  | drop link nut M12x1.75 cl.10      |  4  | locker, medium    | 70 Nm               |
 15  | caliper bolt M14x1.5              |  4  | as vehicle manual | 115 Nm              | new or cleaned
`);
  it('reads a length behind a dash, a bare class, and a bush bolt as a bolt', () => {
    expect(
      kit.items.map(({ kind, quantity, lengthMm, propertyClass }) => [kind, quantity, lengthMm, propertyClass]),
    ).toEqual([
      ['nut', 6, undefined, '10'],
      ['nut', 2, undefined, undefined],
      ['bolt', 2, 55, '10.9'],
      ['bolt', 2, 95, '10.9'],
      ['nut', 4, undefined, '10'],
      ['bolt', 4, undefined, undefined],
    ]);
  });
  it('takes for a joint only what its own row tightens, by the figure that is for it', () => {
    expect(joints(kit)).toMatchObject([
      { title: 'Top mount nut', stations: 6, nm: 47, pieces: ['nut'] },
      { stations: 2, nm: 75, pieces: ['nut'] },
      { title: 'Fork pinch bolt', stations: 2, nm: 44, pieces: ['bolt'], compound: 'antiSeize' },
      { title: 'Lower bush bolt', stations: 2, pieces: ['bolt'] },
      { stations: 4, nm: 70, pieces: ['nut'], compound: 'threadlockerMedium' },
      { title: 'Caliper bolt', stations: 4, nm: 115, pieces: ['bolt'] },
    ]);
  });
});

describe('a drop on these four', () => {
  const kit = drafted(`SKID PLATE
HARDWARE
           Hex flange bolt M10-1.50 x 35 cl. 10.9   6
           Hex flange bolt M8-1.25 x 25 cl. 8.8     4
           Flat washer 10 mm                        6

A) Run all six M10 bolts up by hand with washers.
B) Run in the four M8 bolts finger tight. One drop of blue threadlock on these four, nowhere else.
C) Tighten the M10 bolts to 49 N-m, then the M8 bolts to 22 N-m.
`);
  it('is for the size named just before, and for no other', () => {
    expect(joints(kit)).toMatchObject([
      { stations: 6, nm: 49, compound: undefined },
      { stations: 4, nm: 22, compound: 'threadlockerMedium' },
    ]);
  });
});

describe('notes that speak of older and of other figures', () => {
  const kit = drafted(`Roof rack feet, set of four

If your roof already carries the old pattern, its 8 Nm screws are not to be used again.

You get: 4 feet, 4 pads, 8 countersunk screws M6 x 20, 4 clamp bolts M8 x 60, 4 Nyloc nuts M8.

1. Set the feet.
2. Clamp bolts: go round twice, 6 Nm the first time and 12 Nm the second. More than 14 Nm bends the gutter!
3. Screws 5 Nm, with the enclosed key held short.

Our wrench at the works is a 2-20 Nm; do not guess with a long key.
`);
  it('make no joint of what is not used again, and one of two rounds', () => {
    expect(joints(kit)).toMatchObject([
      { stations: 4, nm: 12, pieces: ['bolt', 'nut'] },
      { stations: 8, nm: 5, pieces: ['bolt'] },
    ]);
    expect(kit.groups[0]?.stages).toEqual([0.5, 1]);
  });
});
