import { describe, expect, it } from '@jest/globals';
import { resolve } from '../resolve.ts';
import { drafted, joints } from './fixture/drafted.ts';
import { tidyTitle } from './joint-title.ts';

const LIFT = `SPACER LIFT
PARTS LIST
Qty   Part No.    Description
2     LS-2001     Strut top spacer
6     LS-88       M10-1.50 flange nut
1     LS-3310     Diff drop kit (2 spacers 1.0", 2 bolts M12-1.75 x 100)

1. Remove the tie rod end nut (21mm) and separate from knuckle.
2. Support the lower arm, remove the upper ball joint nut (19mm).
3. Set spacer on strut. Studs of the strut pass through the spacer, use factory nuts. Torque to 20 ft-lbs.
4. Put strut in the tower using the new flange nuts. Tighten upper nuts to 24 ft-lbs.
5. Reconnect upper ball joint. Torque to 60 ft-lbs.
6. Reattach end links, 52 ft-lbs, and brake line, 84 in-lbs.
7. Wheels on, lug nuts 97 ft-lbs in star pattern, vehicle on the ground.
8. Repeat for the passenger side.
`;

describe('a figure that stands alone behind what it is for', () => {
  const kit = drafted(LIFT);
  const found = joints(kit);
  it('has the name of what its step puts together, and a joint of its own where the other side is done later', () =>
    expect(found.map(({ title, stations }) => [title, stations])).toEqual([
      ['Spacer on strut, driver side', 1],
      ['Upper nuts, driver side', 3],
      ['Upper ball joint, driver side', 1],
      ['End links, driver side', 1],
      ['Brake line, driver side', 1],
      ['Lug nuts', 1],
      ['Spacer on strut, passenger side', 1],
      ['Upper nuts, passenger side', 3],
      ['Upper ball joint, passenger side', 1],
      ['End links, passenger side', 1],
      ['Brake line, passenger side', 1],
    ]));
  it('is put together and pulled on the other side where the sheet repeats it', () => {
    const sideOf = (group: string) =>
      kit.groups
        .find(({ id }) => id === group)
        ?.title.split(', ')
        .at(-1);
    const pulled = kit.steps.map(({ actions }) =>
      actions.flatMap((action) => (action.type === 'torque' ? [sideOf(action.group)] : [])),
    );
    expect(pulled.at(-1)).toEqual(Array(5).fill('passenger side'));
    expect(new Set(pulled.slice(0, -1).flat())).toEqual(new Set(['driver side', 'Lug nuts']));
    expect(kit.steps.at(-1)?.actions[0]).toEqual({ type: 'do', text: 'Repeat for the passenger side.' });
  });
  it('counts its places on, side by side', () => {
    const labelled = ['Upper nuts, driver side', 'Upper nuts, passenger side'].map((title) =>
      kit.groups
        .find((group) => group.title === title)
        ?.stations.map((id) => kit.stations.find((station) => station.id === id)),
    );
    expect(labelled.map((side) => side?.map((station) => station?.label))).toEqual([
      ['D2', 'D3', 'D4'],
      ['P2', 'P3', 'P4'],
    ]);
    expect(labelled[1]?.[0]?.name).toBe('Upper nuts, passenger side 1');
  });
  it('takes no bolts of the kit for joints of the vehicle', () => {
    const long = kit.items.find(({ thread }) => thread === 'M12 x 1.75');
    const stands = kit.stations.filter(({ stack }) =>
      stack.some((piece) => piece.kind === 'hardware' && piece.item === long?.id),
    );
    expect(stands).toEqual([]);
  });
  it('is done up with what undid it', () => {
    const ball = kit.groups.find(({ title }) => title === 'Upper ball joint, driver side');
    expect(kit.stations.find(({ id }) => id === ball?.stations[0])?.drive).toEqual({ kind: 'hex', acrossFlatsMm: 19 });
  });
});

const AXLE = `LEAF SPRING U-BOLTS
CONTENTS: U-BOLT M14 X 1.5  4 OFF / DEEP NUT M14 8 OFF / WASHER 14 HARD 8 OFF / CENTRE BOLT M10 X 1.25 X 70 WITH NUT 2 OFF

1 UNDO OLD U-BOLTS. SCRAP THEM.
2 CENTRE BOLTS THROUGH SPRINGS, NUT 45 NM.
3 U-BOLTS OVER, NUTS EVENLY. 3 ROUNDS: 40, 80, 125 NM, CROSSWISE.
4 WHEEL NUTS 110 NM.
`;

describe('a fax in capitals, with U-bolts', () => {
  const kit = drafted(AXLE);
  it('counts them by their nuts, which are the stations, and leaves the wheels their own', () => {
    expect(joints(kit)).toMatchObject([
      { title: 'Centre bolts through springs', stations: 2, nm: 45 },
      { title: 'U-bolts', stations: 8, nm: 125 },
      { title: 'Wheel nuts', stations: 1, nm: 110 },
    ]);
    expect(kit.items.find(({ name }) => name.startsWith('Washer'))?.name).toBe('Washer 14 hard');
    expect(kit.steps.map(({ number }) => number)).toEqual(['1', '2', '3', '4']);
  });
  it('fits the U-bolts with their group, and has none left over', () => {
    const uBolt = kit.items.find(({ form }) => form === 'uBolt');
    const plan = resolve(kit, {}, {});
    expect(plan.ok && plan.value.items.find(({ id }) => id === uBolt?.id)).toMatchObject({
      needed: 4,
      expectedSpare: 0,
    });
  });
});

describe('pieces called by their letters', () => {
  it('are counted by the list, and named by their size', () =>
    expect(
      joints(
        drafted(
          'BRACE\n\nLEGEND\nA - brace bar, one\nC - hex bolt 3/8-16 x 1-1/4, four\nE - 3/8-16 lock nut, four\nF - button head 1/4-20 x 3/4, two\n\n1) Two C through each plate, E behind.\n2) Drop A in.\n3) C/E to 35 ft-lb.\n4) F last: 75 in-lb.\n',
        ),
      ).map(({ title, stations }) => [title, stations]),
    ).toEqual([
      ['3/8-16 bolts', 4],
      ['1/4-20 bolts', 2],
    ]));
});

describe('a sentence that begins with how the vehicle stands', () => {
  it('is named by its bolts', () =>
    expect(
      joints(
        drafted(
          '1. Bolt the new hanger on with 4 bolts, 90 ft-lb.\n2. With full weight on the springs, torque shackle bolts: 85 ft-lb.\n3. Lower it.\n',
        ),
      ).map(({ title }) => title),
    ).toEqual(['New hanger', 'Shackle bolts']));
});

describe('what is shared out', () => {
  it('is as many as the list has, where one share goes into it', () =>
    expect(
      joints(
        drafted(
          'Bag: six flanged bolts M6 x 20, two M10 x 40 for the hinge, two M10 lock nuts.\n\n1. Rails: three M6 each rail, 9 Nm.\n2. Both M10 through hinge and bracket, 46 Nm. Hold the bolt, turn the nut, 17 spanner.\n',
        ),
      ),
    ).toMatchObject([{ stations: 6 }, { title: 'Hinge and bracket', stations: 2 }]));
});

describe('a title', () => {
  it.each([
    ['Clamps: per side, J-bolts M8', 'Clamps'],
    ['The steering coupling has to be marked and the pinch bolt out', 'Pinch bolt out'],
    ['Four bolts hold the fan to the clutch', 'Fan to the clutch'],
    ['latch plate > bumper', 'Latch plate to bumper'],
    ['RAISE the receiver into position', 'Receiver'],
    ['WHEEL NUTS', 'Wheel nuts'],
    ['NUT', 'Nut'],
    ['And the rails? - Three M6 each rail', 'Rails'],
  ])('%s is %s', (sentence, title) => expect(tidyTitle(sentence)).toBe(title));
  it.each(['With full weight on the springs', 'Evenly, corner by corner', 'C/E', 'M12 crosswise in two goes'])(
    '%s names nothing',
    (sentence) => expect(tidyTitle(sentence)).toBeUndefined(),
  );
});
