import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { drafted as draft } from './fixture/drafted.ts';

type Kit = ReturnType<typeof draft>;
const jointsOf = (kit: Kit) =>
  kit.groups.map(({ title, stations }) => {
    const station = kit.stations.find(({ id }) => id === stations[0]);
    const pieces = station?.stack.flatMap((piece) =>
      piece.kind === 'hardware' ? (kit.items.find(({ id }) => id === piece.item)?.name ?? '?') : [],
    );
    return [title, stations.length, pieces?.join(', ')];
  });

describe('a work order in columns', () => {
  const kit = draft(`WORK ORDER SHEET  WO-SKID / rev 3
Skid plate set — ladder-frame pickup, 2019 on

OP   DESCRIPTION                                       TOOL     Nm     REMARK
10   Raise vehicle on lift                             -        -      see jacking diagram
20   Take off factory splash guard: 7 screws M6        10 mm    -      screws not reused
40   Engine plate: offer up, 4 hex bolts M8 x 25       13 mm    finger all four before any is tightened
50   Engine plate, rear edge: 2 flange bolts M10 x 30  15 mm    finger
60   Tighten engine plate front bolts                  13 mm    22
70   Tighten engine plate rear bolts                   15 mm    47     medium strength locker on thread
80   Gearbox plate: 3 cap screws M8 x 20               6 mm     30     anti-seize
110  Test drive 5 km, then re-check op 60 and 70       wrench   -      again after 500 km

PARTS IN CARTON
A  Engine plate, 3 mm steel ............ 1
C  Hex bolt M8 x 25, 8.8 zinc .......... 4
D  Washer M8, large .................... 4
F  Flange bolt M10 x 30, 10.9 .......... 2
G  Socket cap screw M8 x 20, 10.9 ...... 3
`);
  it('tells the front bolts from the rear ones and a size’s two lengths from each other', () => {
    expect(jointsOf(kit)).toEqual([
      ['Engine plate front bolts', 4, 'Bolt M8 × 1.25 × 25, Washer M8'],
      ['Engine plate rear bolts', 2, 'Flange bolt M10 × 1.5 × 30'],
      ['Gearbox plate: cap screws', 3, 'Screw M8 × 1.25 × 20'],
    ]);
  });
  it('takes the carton’s list behind the work for pieces and not for steps', () => {
    expect(kit.steps.filter(({ text }) => /\.{4}/.test(text))).toEqual([]);
    expect(kit.items.filter(({ source }) => source === 'kit')).toHaveLength(5);
  });
  it('looks again after 500 km, and at nothing `before any is tightened`', () => {
    expect(kit.aftercare.map(({ afterKm, event }) => [afterKm, event])).toEqual([[500, undefined]]);
  });
});

describe('said on a tape without commas', () => {
  const kit = draft(`in the bag there are two M12 by 40 bolts class ten nine two flange nuts and one long M10 by 90 bolt
push the long M10 through and leave it loose
then the two M12s go up from below finger tight
torque the two M12s first they go to a hundred and ten newton metres then the long one fifty five newton metres
bumper bracket bolts back in twenty five newton metres those are M8
put a drop of blue locker on the M12 threads before the nuts go on not on the M10
`);
  it('`by 40` is a length and no number of bolts', () => {
    expect(kit.stations).toHaveLength(4);
    expect(readSheet('Turn the M10 by 90 degrees.').facts.filter(({ value }) => 'lengthMm' in value)).toEqual([]);
  });
  it('the long one is the longest of the list, with its own size and without the other’s locker', () => {
    expect(jointsOf(kit)[1]).toEqual(['Long one', 1, 'Bolt M10 × 1.5 × 90']);
    const compoundOf = (group: number) =>
      kit.stations.find(({ id }) => id === kit.groups[group]?.stations[0])?.compound;
    expect([compoundOf(0), compoundOf(1)]).toEqual(['threadlockermedium', undefined]);
  });
  it('a size that is said behind the figure is the joint’s', () => {
    const station = kit.stations.at(-1);
    const [first] = station?.stack ?? [];
    expect(kit.items.find(({ id }) => first?.kind === 'hardware' && id === first.item)?.thread).toBe('M8 x 1.25');
  });
});

describe('a letter that answers point by point', () => {
  const kit = draft(`Subject: Re: fog-lamp bracket kit

> Could you send me the numbers again? The leaflet got wet.

Sure. Short version:

 - bracket to bumper beam: 2x M8x20 per side, 23 Nm (17 lb-ft)
 - relay: 1 self-tapping screw, hand tight
 - ground eyelet: M6 factory stud behind left headlamp, 6 Nm. Scrape the paint off first.

> And the bumper?

The old notes said 28 Nm for the beam bolts. That was wrong, do not use it.

Before starting: battery negative off (10 mm). Connect it last, 5 Nm.
`);
  it('does what is answered, and neither what is asked nor what is chatted', () => {
    expect(kit.steps.map(({ text }) => text.slice(0, 14))).toEqual([
      'bracket to bum',
      'relay: 1 self-',
      'ground eyelet:',
      'Scrape the pai',
      'Before startin',
      'Connect it las',
    ]);
    expect(kit.cautions.map(({ text }) => text.slice(0, 14))).toEqual(['The old notes ', 'That was wrong']);
  });
  it('counts each side, names joints by what stands before the colon, and starts no other joint by hand', () => {
    expect(jointsOf(kit).map(([title, count]) => [title, count])).toEqual([
      ['Bracket to bumper beam', 4],
      ['Ground eyelet', 1],
      ['Battery terminal', 1],
    ]);
    expect(kit.steps[1]?.actions).toEqual([{ type: 'do', text: 'relay: 1 self-tapping screw, hand tight' }]);
  });
  it('opens the battery and connects it last', () => {
    const acts = kit.steps.slice(-2).flatMap(({ actions }) => actions.map(({ type }) => type));
    expect(acts).toEqual(['disconnect', 'reconnect', 'start', 'torque']);
  });
});

describe('a form with bags, letters and an order with numbers', () => {
  const kit = draft(`Hardware
   4   M12 x 1.25 x 40 flange bolt 10.9       (bag 1)
   4   M12 x 1.25 flange nut 10               (bag 1)
   2   M14 x 130 bolt 8.8                     (bag 2)
   2   M14 all-metal lock nut                 (bag 2)
   4   plain washer 14                        (bag 2)

B. Remove rear lashing eyes, left and right (2 x M10 each, 17 mm). The eyes are not refitted; bolts are scrap.
E. Insert M14 x 130 through rail, washer both ends, lock nut inside. Hand tight.
F. Insert the four M12 flange bolts through the end plates (2 per side), nuts outside. Hand tight.
G. Align beam: equal gap to bumper left/right, max. difference 3 mm.
H. Tighten in this order:   1) end plates  M12   98 N·m (72 lbf·ft)
                            2) frame rail  M14   135 N·m (100 lbf·ft)
                            3) end plates once more, 98 N·m
J. Fit the spare wheel; its carrier nut 19 mm, 50 N·m.
K. Function test of all lamps.

Do not oil the threads. Values are for dry threads.
`);
  it('gives the washers to the size they are called by, each piece its bag', () => {
    expect(jointsOf(kit).slice(0, 2)).toEqual([
      ['End plates M12', 4, 'Flange bolt M12 × 1.25 × 40, Flange nut M12 × 1.25'],
      ['Frame rail M14', 2, 'Bolt M14 × 2 × 130, Plain washer 14, Plain washer 14, Lock nut M14 × 2'],
    ]);
    expect(kit.items.slice(0, 3).map(({ bag }) => bag)).toEqual(['Bag 1', 'Bag 1', 'Bag 2']);
  });
  it('pulls the end plates again where it says once more, and makes no third joint of it', () => {
    expect(kit.groups.map(({ title }) => title)).toEqual(['End plates M12', 'Frame rail M14', 'Carrier nut']);
    const pulls = kit.steps.flatMap(({ actions }) =>
      actions.flatMap((act) => (act.type === 'torque' ? act.group : [])),
    );
    expect(pulls).toEqual(['group-1', 'group-2', 'group-1', 'group-3']);
  });
  it('scraps the eyes, compares the gaps, tries the lamps, and does nothing for what is only to be minded', () => {
    expect(kit.removed.map(({ fate }) => fate)).toEqual(['scrap']);
    expect(kit.checks).toMatchObject([{ spread: 3, unit: 'mm', places: ['left', 'right'] }, {}]);
    expect(kit.steps.at(-1)?.actions).toMatchObject([{ type: 'test' }]);
    expect(kit.cautions.map(({ text }) => text)).toEqual(['Do not oil the threads.', 'Values are for dry threads.']);
  });
});
