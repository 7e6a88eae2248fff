import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import type { KitDocument } from '../kit-document.ts';
import { draftKit } from './draft-kit.ts';

const drafted = (text: string): KitDocument => {
  const reading = readSheet(text);
  return draftKit(reading, reading.facts, { id: 'odd', title: 'Odd', maker: 'Lowmoor Fabrication' }).kit;
};
const joints = ({ groups, stations, items, compounds }: KitDocument) =>
  groups.map((group) => {
    const station = stations.find(({ id }) => id === group.stations[0]);
    const pieces = station?.stack.flatMap((piece) =>
      piece.kind === 'hardware' ? [items.find(({ id }) => id === piece.item)?.kind] : [],
    );
    const spec = station?.specs[0]?.spec;
    return {
      title: group.title,
      stations: group.stations.length,
      nm: spec && 'targetNm' in spec ? Math.round(spec.targetNm) : undefined,
      pieces,
      compound: compounds.find(({ id }) => id === station?.compound)?.kind,
    };
  });

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
    expect(asked('If parking sensors are fitted they must be unplugged.')).toEqual([
      'Does it have: parking sensors are fitted?',
    ]);
  });
  it('is not asked where it is found at the work', () => {
    expect(asked('If a bolt binds, back it out and clean the thread.')).toEqual([]);
    expect(asked('If it is more, stop.')).toEqual([]);
  });
});
