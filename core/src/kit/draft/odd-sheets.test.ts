import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { lintKit } from '../lint/lint.ts';
import { drafted, joints } from './fixture/drafted.ts';

const QUESTIONS = `SIDE STEP PAIR – YOUR QUESTIONS
Leaflet 3. For the long wagon, all years.

What is in the box?
Two side steps, six M12 x 1.25 x 90 bolts class 10.9, six M12 flange nuts, twelve hardened washers, four M6 x 20 screws.

What do I need on the bench?
18 mm and 19 mm sockets, 10 mm socket, a torque wrench to 150 Nm, a bush puller.

Do I have to remove anything?
Yes. The sill covers come off, two clips each side.

How tight?
The M12 bolts get 95 N·m, in two goes: 50 first, then the full 95.

Any glue?
Medium threadlocker on the four M6 screws only, nothing on the M12s.

And the sill covers?
Back on with the four M6 x 20 screws from the box, 9 N·m.

Can I load it straight away?
Not before the threadlocker has had 24 hours. Check the M12 bolts again after 300 km.

What if a step does not sit flat?
Stop. No more than 2 mm gap between step and sill; if it is more, the sill is bent.
`;

describe('a leaflet that answers questions', () => {
  const kit = drafted(QUESTIONS);
  it('makes no steps of its questions, its lists and its head', () => {
    expect(kit.steps.map(({ text }) => text).filter((text) => /\?$|Leaflet|^Yes|^Stop|socket/.test(text))).toEqual([]);
  });
  it('gives the nuts the pitch of the bolts, both washers their place, and the locker to its size', () => {
    expect(joints(kit)).toMatchObject([
      { stations: 6, nm: 95, pieces: ['bolt', 'washer', 'washer', 'nut'], compound: undefined },
      { stations: 4, nm: 9, pieces: ['bolt'], compound: 'threadlockerMedium' },
    ]);
    expect(kit.items.filter(({ source }) => source === 'factory')).toEqual([]);
    expect(kit.groups[0]?.stages).toEqual([0.526, 1]);
  });
  it('lists the tools, the special as one, and leaves measuring wrenches to the joints', () => {
    expect(kit.tools.map(({ name, special }) => [name, special])).toEqual([
      ['18 mm socket', undefined],
      ['19 mm sockets', undefined],
      ['10 mm socket', undefined],
      ['bush puller', true],
    ]);
  });
  it('asks no question about what is found on the way, holds the car for the locker, and measures the gap', () => {
    expect(kit.questions).toEqual([]);
    expect(kit.steps.flatMap(({ actions }) => actions)).toContainEqual({
      type: 'wait',
      minutes: 1440,
      gates: ['drive'],
    });
    expect(kit.checks).toMatchObject([{ max: 2, unit: 'mm' }]);
    expect(kit.removed).toMatchObject([{ name: 'sill covers', fate: 'refit' }]);
  });
});

const TAPE = `Tape 12 – "Front shock towers" – typed up

[00:08] Today it's the bolt-in shock towers, part TW-7, both sides.
[00:31] In the kit you get two towers, two backing plates, ten half-inch by inch and a half fine bolts, grade eight, ten half-inch lock nuts and twenty hard washers. Plus four 3/8-16 x 1 inch bolts for the cable guides.
[01:10] First thing, chock the rears, jack it up, stands under the frame. Wheels off. You need a 21 mm deep socket for those.
[01:55] Old shock out. Pitch the old top nut, don't reuse it.
[02:40] Tower goes up inside the well, plate behind the frame. Five bolts a side. Run them all in loose.
[03:30] Now snug them in a star. Then 90 foot pounds each, same star. Never use an impact wrench here.
[04:05] New shock. Lower bolt back in, that's 65 foot pounds, at ride height, not hanging, or you'll tear the bushing.
[05:35] Cable guide, two 3/8 bolts per side, 30 foot pounds.
[06:00] Steer it lock to lock and look at the hose. You want half an inch of room, everywhere.
[06:20] Wheels on. Lug nuts 140 foot pounds, dry, in a star.
[06:45] Drive it around the block. Hit the tower bolts again at five hundred miles, lugs at fifty.
`;

describe('a film typed up by its times', () => {
  const kit = drafted(TAPE);
  it('numbers the steps by the time, and reads its list to the last sentence', () => {
    expect(kit.steps[0]).toMatchObject({ number: '01:10', phase: 'strip' });
    expect(
      kit.items.filter(({ source }) => source === 'kit').map(({ quantity, thread }) => [quantity, thread]),
    ).toEqual([
      [2, undefined],
      [2, undefined],
      [10, '1/2-20'],
      [10, '1/2-20'],
      [20, undefined],
      [4, '3/8-16'],
    ]);
  });
  it('says a figure of the pieces last named, and takes nothing of the kit for what goes back in', () => {
    expect(joints(kit)).toMatchObject([
      { title: 'Tower bolts', stations: 10, nm: 122, pieces: ['bolt', 'washer', 'washer', 'nut'] },
      { stations: 1, nm: 88, pieces: ['bolt'] },
      { title: 'Cable guide, bolts', stations: 4, nm: 41, pieces: ['bolt'] },
      { title: 'Lug nuts', nm: 190 },
    ]);
    expect(kit.groups[0]?.torqueOrder).toEqual({ pattern: 'star' });
    expect(kit.groups[1]?.atRideHeight).toBe(true);
    // Said while the axle hangs: it waits for the wheels.
    const last = kit.steps.filter(({ actions }) => actions.some(({ type }) => type === 'torque')).at(-1);
    expect(last).toMatchObject({
      needs: ['rideHeight'],
      actions: [{ type: 'lower' }, { type: 'torque', group: kit.groups[1]?.id }],
    });
    expect(lintKit(kit).filter(({ severity }) => severity === 'error')).toEqual([]);
  });
  it('keeps each due date with its own pieces, and the room as a measure', () => {
    expect(kit.aftercare).toMatchObject([
      { about: 'joints', afterKm: 804.7 },
      { about: 'wheels', afterKm: 80.5 },
    ]);
    expect(kit.checks).toContainEqual(expect.objectContaining({ min: 0.5, unit: 'in' }));
    expect(kit.removed).toMatchObject([
      { name: 'Wheels', fate: 'refit' },
      { name: 'Old shock' },
      { name: 'old top nut', fate: 'scrap' },
    ]);
    expect(kit.powerTools).toBe('never');
  });
});

describe('a limit in words', () => {
  it.each([
    ['Keep 1/2 in. of clearance to the hose.', { min: 0.5, unit: 'in' }],
    ['Leave 10 mm of air round the pipe.', { min: 10, unit: 'mm' }],
    [
      'Measure corner to corner: within 1/8 in.',
      { spread: 0.125, unit: 'in', places: ['front left to rear right', 'front right to rear left'] },
    ],
    ['Gap to the cooler at least 1 1/2 in.', { min: 1.5, unit: 'in' }],
  ])('%s', (sentence, limits) => {
    const { checks } = drafted(`1. ${sentence}\n2. Torque the M10 bolts to 40 Nm.`);
    expect(checks).toMatchObject([limits]);
  });
});

describe('what a condition asks', () => {
  const asked = (sentence: string) =>
    drafted(`1. ${sentence}\n2. Torque the M10 bolts to 40 Nm.`).questions.map(({ text }) => text);
  it('is asked of the vehicle when the job is opened', () => {
    expect(asked('If the car has fog lamps, unplug them.')).toHaveLength(1);
    expect(asked('If parking sensors are fitted they must be unplugged.')).toEqual(['Does it have: parking sensors?']);
  });
  it('is not asked where it is found at the work', () => {
    expect(asked('If a bolt binds, back it out and clean the thread.')).toEqual([]);
    expect(asked('If it is more, stop.')).toEqual([]);
  });
});

const LETTER = `From: Pennant Works, fitting desk
Re: your roof ladder, second hand, no papers

Hello,

sorry to hear the leaflet got lost. It is quickly told. You should have one ladder, two hinge brackets, two lower feet, four M8x30 stainless screws with lock nuts and big washers (the hinge brackets), and four M6x20 button heads (the feet).

Open the door and take the four plastic plugs out of the top edge, you will not need them again. Hinge brackets go into those holes: screw from outside, big washer inside, nut. Grease the stainless threads or they gall. 18 Nm, not more, the sheet metal gives.

Feet: stick them on first, wait 30 minutes, then the button heads with a 4 mm key, 6 Nm. Put a little medium threadlocker on those.

Hang the ladder into the brackets and check that it does not touch the glass: 15 mm at least, all along.

Regards
`;

describe('a letter', () => {
  const kit = drafted(LETTER);
  it('is read past its head and its greetings', () => {
    expect(kit.steps[0]?.text).toMatch(/^Open the door/);
    expect(kit.steps.filter(({ text }) => /^(?:Hello|Re:|Regards)/.test(text))).toEqual([]);
  });
  it('finds its list behind two sentences, with what comes with its screws', () => {
    expect(kit.items.map(({ quantity, kind }) => [quantity, kind])).toEqual([
      [1, 'part'],
      [2, 'part'],
      [2, 'part'],
      [4, 'bolt'],
      [4, 'nut'],
      [4, 'washer'],
      [4, 'bolt'],
    ]);
  });
  it('gives each joint the pieces the list names for it, and the locker that points back', () => {
    expect(joints(kit)).toMatchObject([
      { title: 'Hinge brackets', stations: 4, nm: 18, pieces: ['bolt', 'washer', 'nut'], compound: 'grease' },
      { stations: 4, nm: 6, pieces: ['bolt'], compound: 'threadlockerMedium' },
    ]);
    expect(kit.removed).toMatchObject([{ name: 'plastic plugs', count: 4, fate: 'scrap' }]);
    expect(kit.checks).toMatchObject([{ min: 15, unit: 'mm' }]);
  });
});

const CARD = `+--------------------------------------------------+
|  QUICK CARD  BUMPER GUARD BG-3       sheet 1/1   |
+--------------------------------------------------+
|  HARDWARE                                        |
|   A  bolt M10x35        x 8                      |
|   B  washer M10 large   x 16                     |
|   C  nut M10 lock       x 8                      |
|   D  bolt M8x25         x 4                      |
|   E  nut M8 flange      x 4                      |
+--------------------------------------------------+
|  STEP 1  mark hole pattern thru slots            |
|  STEP 2  A+B+B+C   brackets to bumper, L + R     |
|  STEP 3  D+E       guard to brackets             |
|  STEP 4  level it (max 3 mm L/R)                 |
|  TORQUE  A 45 Nm / 33 ft-lb     E 20 Nm / 15     |
+--------------------------------------------------+
`;

describe('a card in a frame', () => {
  it('is read inside its frame, its letters as lines of the list', () => {
    const kit = drafted(CARD);
    expect(kit.items.map(({ quantity }) => quantity)).toEqual([8, 16, 8, 4, 4]);
    expect(joints(kit)).toMatchObject([
      { stations: 8, nm: 45, pieces: ['bolt', 'washer', 'washer', 'nut'] },
      { stations: 4, nm: 20, pieces: ['bolt', 'nut'] },
    ]);
    expect(kit.checks).toMatchObject([{ max: 3, unit: 'mm' }]);
    expect(kit.steps.filter(({ text }) => /\+--|HARDWARE/.test(text))).toEqual([]);
  });
});

const BULLETIN = `INSTALLATION BULLETIN 7-B (REPLACES 7-A)

PARTS
  Crossmember spacers (alum.) .............. 4
  Bolts, hex, 7/16-14 x 3-1/2, Gr 8 ........ 4
  Flat washers, 7/16 ....................... 8
  Shifter bracket .......................... 1
  Screws, 1/4-20 x 3/4 ..................... 2

A. PREPARATION
 a. Put transmission in neutral. Chock wheels.

B. CROSSMEMBER
 a. Remove the four factory crossmember bolts, discard.
 b. Install the new bolts with a washer under the head and start by hand.
 c. Raise jack until the load is off the bolts and torque to 45 ft-lbs. Do NOT use 65 ft-lbs as shown in 7-A.

C. SHIFTER
 a. Bolt the shifter bracket on with the two 1/4-20 screws. 75 in-lbs.

D. FINAL
 a. Check drive shaft angle, front: not over 12 degrees.
`;

describe('a bulletin in chapters', () => {
  it('names a joint by its chapter, and takes no sentence of another chapter for it', () => {
    const kit = drafted(BULLETIN);
    expect(joints(kit)).toMatchObject([
      { title: 'Crossmember bolts', stations: 4, nm: 61, pieces: ['bolt', 'washer'] },
      { title: 'Shifter bracket', stations: 2, nm: 8, pieces: ['bolt'] },
    ]);
    expect(kit.removed).toMatchObject([{ name: 'factory crossmember bolts', count: 4, fate: 'scrap' }]);
    expect(kit.checks).toMatchObject([{ max: 12, unit: '°' }]);
  });
});

const NOTE = `rear disc conversion, second car

axle on stands, wheels off, both drums off (screw is a 3 mm hex key, goes in the bin)
disc on, then caliper, two M12x1.25 bolts each, class 10.9, clean threads then medium threadlocker, 105 Nm
bleed. start rear left. pedal firm?
wheels on, nuts 110 Nm crosswise, wheels on the floor
100 km then nuts again
`;

describe('a note in lower case', () => {
  it('takes off what its line says, part by part, and keeps a cleaned thread apart from what goes on it', () => {
    const kit = drafted(NOTE);
    expect(kit.removed.map(({ name, count }) => [name, count])).toEqual([
      ['wheels', 1],
      ['drums', 2],
    ]);
    expect(joints(kit)).toMatchObject([
      { title: 'M12 × 1.25 bolts', nm: 105, compound: 'threadlockerMedium' },
      { title: 'Wheel nuts', nm: 110 },
    ]);
    expect(kit.groups[1]?.torqueOrder).toEqual({ pattern: 'cross' });
    expect(kit.stations.at(-1)?.tags).toEqual(['wheel']);
    expect(kit.aftercare).toMatchObject([{ afterKm: 100 }]);
    expect(kit.steps.flatMap(({ actions }) => actions)).toContainEqual(expect.objectContaining({ type: 'bleed' }));
  });
});

const TRANSLATED = `MOUNTING ADVICE Trailer hook  Type KX 4

1. The mounting may only be done by a specialist workshop.
2. Delivery content:
   1 Crossbeam
   2 Side parts (left and right)
   8 Hexagon screws M12x1,5x40 10.9
   2 Hexagon screws M10x110 8.8
   8 Washers 13
   2 Nuts M10 selflocking
3. Demount the bumper.
4. Put the side parts into the long beams and screw with 4 screws M12 each side, with washers. Hand tight only.
5. Set the crossbeam between the side parts, 1 screw M10x110 with nut per side.
6. Then draw tight:
   M10   55 Nm
   M12   95 Nm
7. Cut out the bumper below according to template, 80 mm wide.
8. Mount the bumper again in reversed order.
9. Check all screw connections after 1000 trailer-km.
`;

describe('a translated advice', () => {
  it('ends its list where its steps go on, and knows what it demounts, cuts and mounts again', () => {
    const kit = drafted(TRANSLATED);
    expect(kit.items.map(({ quantity }) => quantity)).toEqual([1, 2, 8, 2, 8, 2]);
    expect(joints(kit)).toMatchObject([
      { stations: 2, nm: 55, pieces: ['bolt', 'nut'] },
      { stations: 8, nm: 95, pieces: ['bolt', 'washer'] },
    ]);
    expect(kit.removed).toMatchObject([{ name: 'bumper', fate: 'refit' }]);
    expect(kit.irreversible).toHaveLength(1);
    expect(kit.aftercare).toMatchObject([{ afterKm: 1000 }]);
  });
});

const AMERICAN = `FRONT BUMPER REPLACEMENT - HARROW 2500
Read all instructions before starting.

REMOVAL
1) Disconnect fog lamp harnesses.
2) Remove (2) 15mm bolts at each frame horn. Save.
3) With a helper, slide factory bumper off and set aside.

INSTALLATION
4) Attach mount plates to frame horns w/ supplied 1/2-13 x 2" bolts (3 per side). Leave loose.
5) Position bumper on plates. Install (4) 1/2-13 x 1-1/2" carriage bolts per side.
6) Adjust so gap to fender is even, 3/4" +/- 1/8" both sides.
7) Torque ALL 1/2" hardware to 75 lb-ft.
8) Verify fog lamps and sensors operate.
9) Winch option only: install fairlead with (2) M10 x 25 bolts, 35 lb-ft.
`;

describe('a sheet with one figure for all the hardware of a size', () => {
  const kit = drafted(AMERICAN);
  it('counts what each side has twice, and gives the figure to every line of that size', () => {
    expect(kit.items.map(({ quantity, thread }) => [quantity, thread])).toEqual([
      [6, '1/2-13'],
      [8, '1/2-13'],
      [2, 'M10 x 1.5'],
    ]);
    expect(joints(kit)).toMatchObject([
      { title: '1/2-13 bolts', stations: 6, nm: 102 },
      { title: 'Bolt 1/2-13 × 38.1', stations: 8, nm: 102 },
      { stations: 2, nm: 47 },
    ]);
    const torqued = kit.steps.find(({ number }) => number === '7')?.actions.filter(({ type }) => type === 'torque');
    expect(torqued).toHaveLength(2);
  });
  it('measures the gap about its figure, asks for the option, and makes no step of a chapter', () => {
    expect(kit.checks).toMatchObject([{ target: 0.75, tolerance: 0.125, unit: 'in', places: ['left', 'right'] }, {}]);
    expect(kit.questions.map(({ text }) => text)).toEqual(['Does it have: winch option?']);
    expect(kit.removed.map(({ name }) => name)).toEqual(['15mm bolts at each frame horn', 'factory bumper']);
    expect(kit.steps.some(({ text }) => /^[A-Z]+$/.test(text))).toBe(false);
  });
});

describe('a size before a figure', () => {
  it('is no stage of it: `then tighten the M6 to 9 Nm`', () => {
    const kit = drafted('1. Both diagonals agree. Then tighten the M6 to 9 Nm.\n2. Then the M8 to 20 Nm.');
    expect(kit.groups.map(({ stages }) => stages)).toEqual([undefined, undefined]);
  });
});

describe('a table whose torques leave the unit to their first row', () => {
  it('gives the others the same, and doubts them', () => {
    const reading = readSheet(
      'Joint          Size   Qty   Torque\nAxle end       M14    2     160 Nm\nFrame end      M12    2     95\nLine clip      M6     2     9\n',
    );
    const torques = reading.facts.filter(({ value }) => value.kind === 'torque');
    expect(torques.map(({ value }) => value.kind === 'torque' && value.maxNm)).toEqual([160, 95, 9]);
    expect(torques.slice(1).every(({ confidence }) => confidence < 0.9)).toBe(true);
  });
});

describe('tools in a list of points', () => {
  it('are read to its end, and a tape measure masks nothing', () => {
    const kit = drafted(
      'YOU NEED\n- 10 mm wrench\n- 5 mm Allen key\n- tape measure\n\n1. Torque the M10 bolts to 40 Nm.\n2. Fit the lamp.\n3. Refit the cover.',
    );
    expect(kit.tools.map(({ name }) => name)).toEqual(['10 mm wrench', '5 mm Allen key']);
    expect(kit.temporary).toEqual([]);
  });
});

const PICTURES = `TOW HOOKS, REAR
What you should find in the carton
Hook, left 1
Hook, right 1
Hex bolt M14 x 45, class 10.9 6
Flat washer 14 mm 12
Flange nut M14, class 10 6
Hex bolt M8 x 25, class 8.8 2
You will want a 13 and a 21 mm socket and a torque wrench to 200 Nm.

Picture 1. Chock the front wheels.
Picture 2. Take the trim strip off; bin it.
Picture 3. Offer up the left hook, three M14 bolts, a washer under head and nut. Finger tight.
Picture 4. The same on the right.
Picture 5. Put the M8 bolts through the tie holes; do not tighten.
Picture 6. Distance between the hooks 810 mm, plus or minus 4.
Picture 7. M14 nuts: 80 Nm, then 160 Nm.
Picture 8. M8 bolts: 22 Nm.

After the first recovery put the wrench on the M14 nuts again at 160 Nm.
Never lift the vehicle by the hooks.
`;

describe('a sheet of pictures, its list counted at the end of each row', () => {
  const kit = drafted(PICTURES);
  it('counts every row of the list and no tool', () => {
    expect(kit.items.filter(({ source }) => source === 'kit').map(({ kind, quantity }) => [kind, quantity])).toEqual([
      ['part', 1],
      ['part', 1],
      ['bolt', 6],
      ['washer', 12],
      ['nut', 6],
      ['bolt', 2],
    ]);
  });
  it('draws each joint once, though the owner is told to come back for it', () => {
    expect(joints(kit)).toMatchObject([
      { stations: 6, nm: 160, pieces: ['bolt', 'washer', 'washer', 'nut'] },
      { stations: 2, nm: 22, pieces: ['bolt'] },
    ]);
    expect(kit.aftercare).toMatchObject([{ about: 'joints' }]);
  });
  it('lets the parts go on with the joints that hold them, so that none is handed over as left over', () => {
    const parts = kit.items.filter(({ kind }) => kind === 'part');
    expect(parts.map(({ fittedWith }) => fittedWith)).toEqual([kit.groups[0]?.id, kit.groups[0]?.id]);
  });
  it('numbers the steps by the pictures and starts what its step speaks of', () => {
    expect(kit.steps.map(({ number }) => number)).toEqual(['1', '2', '3', '3', '4', '5', '5', '6', '7', '8']);
    const started = kit.steps.flatMap(({ number, actions }) =>
      actions.flatMap((action) => (action.type === 'start' ? [[number, action.group]] : [])),
    );
    expect(started).toEqual([
      ['3', kit.groups[0]?.id],
      ['5', kit.groups[1]?.id],
    ]);
  });
  it('measures the distance, scraps what is binned, and keeps a warning for the owner out of the steps', () => {
    expect(kit.checks).toMatchObject([{ target: 810, tolerance: 4, unit: 'mm' }]);
    expect(kit.removed).toMatchObject([{ fate: 'scrap' }]);
    expect(kit.cautions.map(({ text }) => text)).toEqual(['Never lift the vehicle by the hooks.']);
  });
});

const TICKED = `WORK CARD 12  Side rail set
Job no. ________  Fitter ________

Parts
[ ] 8   M8x30 hex flange bolt 8.8
[ ] 8   M8 Mutter
[ ] 4   M10x40 8.8 bolt
[ ] 4   M10 stover

Work
[ ] 1   Disconnect the battery.
[ ] 2   Hang the brackets with two M8 bolts each. Hand tight.
[ ] 3   M8 bolts: 25 Nm       reading ______
[ ] 4   M10 bolts from the top. Hand tight.
[ ] 5   M10 bolts: 45 Nm      reading ______
[ ] 6   Reconnect the battery.

Recheck 3 and 5 after 500 km / 4 weeks.
Signed ________   Checked by ________
`;

describe('a card to tick, numbered behind its boxes', () => {
  const kit = drafted(TICKED);
  it('takes the number behind the box for the step, and never for a count', () => {
    expect([...new Set(kit.steps.map(({ number }) => number))]).toEqual(['1', '2', '3', '4', '5', '6']);
    expect(joints(kit)).toMatchObject([
      { stations: 8, nm: 25, pieces: ['bolt', 'nut'] },
      { stations: 4, nm: 45, pieces: ['bolt', 'nut'] },
    ]);
  });
  it('knows a nut by a word of another tongue, and one by its bare thread', () => {
    expect(kit.items.map(({ kind }) => kind)).toEqual(['bolt', 'nut', 'bolt', 'nut']);
  });
  it('comes back once, by distance or by days, and leaves what is filled in on paper out', () => {
    expect(kit.aftercare).toMatchObject([{ afterKm: 500 }, { afterDays: 28 }]);
    expect(kit.aftercare.some(({ repeats }) => repeats)).toBe(false);
    expect(kit.steps.some(({ text }) => /Signed|Fitter/.test(text))).toBe(false);
  });
});

describe('remarks between the steps', () => {
  const kit = drafted(`1. The carrier may bear 35 kg.
2. Fit the carrier with two M10 bolts.
3. The set weighs about 9 kg.
4. Torque the M10 bolts to 40 Nm. In case of doubt ask the works.
5. When in doubt, call us.
6. Thank you for buying our carrier.
`);
  it('are minded and done by nobody', () => {
    expect(kit.steps.map(({ number }) => number)).toEqual(['2', '4']);
    expect(kit.cautions.map(({ text }) => text)).toEqual([
      'The carrier may bear 35 kg.',
      'The set weighs about 9 kg.',
      'In case of doubt ask the works.',
      'When in doubt, call us.',
    ]);
    expect(kit.cautions[0]?.limits).toBe('load');
  });
  it('hang nothing on an answer', () => {
    expect(kit.questions).toEqual([]);
  });
});
