import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { draftKit } from './draft-kit.ts';

function drafted(text: string) {
  const reading = readSheet(text);
  return draftKit(reading, reading.facts, { id: 'paper', title: 'Paper', maker: 'Pennant Works' }).kit;
}
type Kit = ReturnType<typeof drafted>;
const joints = (kit: Kit) =>
  kit.groups.map(({ title, stations }) => {
    const first = kit.stations.find(({ id }) => id === stations[0]);
    const pieces = first?.stack.flatMap((piece) =>
      piece.kind === 'hardware' ? [kit.items.find(({ id }) => id === piece.item)?.thread] : [],
    );
    return [title, stations.length, first?.specs[0]?.printed, pieces?.[0]];
  });
const torqued = (kit: Kit) =>
  kit.steps.map(({ actions }) =>
    actions.flatMap((act) => (act.type === 'torque' ? [kit.groups.find(({ id }) => id === act.group)?.title] : [])),
  );

const DRAWBAR = `Vehicle: Merle Estate and Van, 2017 on.

Materials
1 crossbar   2 side arms   1 neck   4 spacer plates   1 bag of fasteners
Fixing points
A   M12 x 35 (10.9)   4 off   95 Nm
B   M10 x 110 (8.8)   4 off   46 Nm    with spacer plate
C   M12 x 70 (8.8)    2 off   79 Nm
D   existing M8 nuts  6 off   21 Nm

1. Offer the side arms into the chassis members. Points B through spacer plates, loose.
2. Crossbar between the side arms, points A, loose. Bring the whole up against the rear panel with the six nuts D.
3. Tighten in the order D, B, A to the figures above.
4. Neck to the crossbar, points C.

Ball 50 mm to be kept greased.
`;

describe('fixing points called by letters', () => {
  const kit = drafted(DRAWBAR);
  it('are called by the part that is fitted at them, else by their letter', () =>
    expect(joints(kit)).toEqual([
      ['Crossbar between the side arms', 4, '95 Nm', 'M12 x 1.75'],
      ['Points B', 4, '46 Nm', 'M10 x 1.5'],
      ['Neck to the crossbar', 2, '79 Nm', 'M12 x 1.75'],
      ['Existing M8 nuts', 6, '21 Nm', 'M8 x 1.25'],
    ]));
  it('are pulled in the order that a step gives, and those it leaves out where they are fitted', () =>
    expect(torqued(kit).filter((titles) => titles.length > 0)).toEqual([
      ['Existing M8 nuts', 'Points B', 'Crossbar between the side arms'],
      ['Neck to the crossbar'],
    ]));
  it('counts pieces beside one another, and a bag of fasteners is no fastener', () =>
    expect(kit.items.slice(0, 5).map(({ quantity, kind, name }) => [quantity, kind, name])).toEqual([
      [1, 'part', 'Crossbar'],
      [2, 'part', 'Side arms'],
      [1, 'part', 'Neck'],
      [4, 'part', 'Spacer plates'],
      [1, 'part', 'Bag of fasteners'],
    ]));
  it('minds what is kept so, and does nothing about it', () => {
    expect(kit.cautions.map(({ text }) => text)).toContain('Ball 50 mm to be kept greased.');
    expect(kit.steps.some(({ actions }) => actions.some(({ type }) => type === 'apply'))).toBe(false);
  });
});

it('asks whether the vehicle is one, once for all that is said of it', () => {
  const { questions } = drafted(
    'Vehicle: Merle. Cut-out required on Van only.\n\n1. Estate: remove the spare wheel.\n2. Fit the bar, 20 Nm.\n3. Van: cut the bumper as drawing 2.\n',
  );
  expect(questions.map(({ text }) => text)).toEqual(['Is it: Van?', 'Is it: Estate?']);
});

const BUMPER = `HARDWARE
(4) M12-1.75 x 40mm bolt
(4) M12-1.75 nut
(6) 1/2-13 x 1-1/2" carriage bolt
(6) 1/2" flange nut

DRIVER SIDE
1. Slide the bracket over the studs and reuse two of the factory nuts. Do not tighten.
2. Add two M12 bolts with nuts from the side.
PASSENGER SIDE
3. Repeat steps 1 and 2.
BUMPER
4. Drop three carriage bolts in each side, flange nuts below, hand tight.
5. Torque factory nuts to 59 ft-lbs, M12 bolts to 65 ft-lbs, carriage bolts to 75 ft-lbs.
`;

it('several figures of a sentence have each the pieces of their own words, on both sides', () =>
  expect(joints(drafted(BUMPER))).toEqual([
    ['Factory nuts', 4, '59 ft-lbs', undefined],
    ['M12 × 1.75 bolts', 4, '65 ft-lbs', 'M12 x 1.75'],
    ['Carriage bolts', 6, '75 ft-lbs', '1/2-13'],
  ]));

it('a title in capitals over sentences of its number is no step', () =>
  expect(
    drafted(
      'STEP 1 - ASSEMBLE ON THE GROUND\nLay the rails on a blanket. Leave all bolts loose.\nSTEP 2 - ON THE ROOF\nLift the rack on to the feet. Torque the M8 bolts to 15 ft-lbs.\nSTEP 3 - CHECK\nPull hard at each corner.\n',
    ).steps.filter(({ text }) => /^[^a-z]+$/.test(text)),
  ).toEqual([]));
