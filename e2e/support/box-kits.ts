import { blankKit } from '#core/kit/blank-kit.ts';
import type { Item, JointGroup, KitDocument, StackPiece, Station } from '#core/kit/kit-document.ts';
import type { PartOutline } from '#core/kit/piece-kind.ts';
import type { PrintedSpec } from '#core/kit/printed-spec.ts';

/** Two boxes whose pieces the demo has none of: leaves and U-bolts, clamps and a banjo. As their makers' sheets mean them. */

const kitLine = (
  bag: string,
  id: string,
  line: string,
  over: Partial<Item> & Pick<Item, 'kind' | 'name' | 'quantity'>,
): Item => ({
  id,
  line,
  bag,
  source: 'kit',
  ...over,
});

const nm = (targetNm: number, printed: string): PrintedSpec => ({ spec: { kind: 'torque', targetNm }, printed });

function stationsOf(
  group: string,
  names: readonly string[],
  make: { stack: StackPiece[]; spec: PrintedSpec; flats: number; first: number; compound?: string },
): Station[] {
  return names.map((name, at) => ({
    id: `${group}${at + 1}`,
    label: String(make.first + at),
    name,
    xMm: 60 + (at % 2) * 120,
    yMm: 60 + Math.floor(at / 2) * 80,
    stack: make.stack,
    specs: [make.spec],
    drive: { kind: 'hex', acrossFlatsMm: make.flats },
    ...(make.compound ? { compound: make.compound } : {}),
  }));
}

const groupOf = (
  id: string,
  title: string,
  stations: readonly Station[],
  over: Partial<JointGroup> = {},
): JointGroup => ({
  id,
  title,
  map: { title, note: 'front of vehicle is up', widthMm: 300, heightMm: 460, shapes: [] },
  stations: stations.map((station) => station.id),
  ...over,
});

/** The plate of a saddle from above; left and right are told by their stamp alone. */
const SADDLE = {
  points: [
    [0, 0],
    [120, 0],
    [120, 70],
    [95, 90],
    [0, 90],
  ],
  holes: [
    { xMm: 25, yMm: 25, acrossMm: 14 },
    { xMm: 95, yMm: 45, acrossMm: 14 },
  ],
} satisfies PartOutline;

/** Helper leaves: U-bolts that go over, left and right saddles told by their stamp, a key for the spare wheel. */
export function helperLeaves(): KitDocument {
  const kit = blankKit('helper-leaves', 'Helper leaves', 'Gannock Spring');
  kit.items = [
    kitLine('Loose', 'leaf', 'A', {
      kind: 'part',
      form: 'leafSpring',
      name: 'Helper leaf',
      quantity: 2,
      lengthMm: 620,
      facing: 'long end to the rear',
    }),
    kitLine('Loose', 'saddle-l', 'B', {
      kind: 'part',
      name: 'Saddle, left',
      quantity: 1,
      side: 'left',
      mark: 'GL',
      outline: SADDLE,
    }),
    kitLine('Loose', 'saddle-r', 'C', {
      kind: 'part',
      name: 'Saddle, right',
      quantity: 1,
      side: 'right',
      mark: 'GR',
      outline: SADDLE,
    }),
    kitLine('Bag 1', 'ubolt', 'D', {
      kind: 'bolt',
      form: 'uBolt',
      name: 'U-bolt 1/2-20, 79 wide, 184 long',
      quantity: 4,
      thread: '1/2-20',
      insideMm: 79,
      lengthMm: 184,
      singleUse: true,
    }),
    kitLine('Bag 1', 'nut', 'E', {
      kind: 'nut',
      name: 'Deep nut 1/2-20',
      quantity: 8,
      thread: '1/2-20',
      propertyClass: 'grade 8',
      acrossFlatsMm: 19.05,
    }),
    kitLine('Bag 1', 'washer', 'F', {
      kind: 'washer',
      name: 'Hardened washer 1/2',
      quantity: 8,
      insideMm: 13.5,
      outsideMm: 27,
      thicknessMm: 3,
    }),
    kitLine('Bag 2', 'stop', 'G', {
      kind: 'part',
      form: 'block',
      name: 'Bump stop',
      quantity: 2,
      lengthMm: 70,
      serial: true,
    }),
    kitLine('Bag 2', 'flange', 'H', {
      kind: 'nut',
      head: 'hexFlange',
      name: 'Flange nut M10',
      quantity: 2,
      thread: 'M10 x 1.5',
      propertyClass: '10',
      acrossFlatsMm: 15,
    }),
    kitLine('Bag 2', 'pin', 'I', {
      kind: 'pin',
      form: 'split',
      name: 'Split pin 3.2 × 32',
      quantity: 2,
      outsideMm: 3.2,
      lengthMm: 32,
    }),
    kitLine('Bag 2', 'key', 'K', { kind: 'part', form: 'key', name: 'Padlock key', quantity: 1, lengthMm: 45 }),
  ];
  const clamped = (name: string): StackPiece => ({ kind: 'clamped', name, thicknessMm: 12, material: 'steel' });
  const legs = stationsOf(
    'u',
    ['front outer', 'front inner', 'rear outer', 'rear inner'].flatMap((leg) => [
      `U-bolt left, ${leg}`,
      `U-bolt right, ${leg}`,
    ]),
    {
      stack: [{ kind: 'hardware', item: 'nut' }, { kind: 'hardware', item: 'washer' }, clamped('Spring plate')],
      spec: nm(122, '90 ft-lb'),
      flats: 19.05,
      first: 1,
    },
  );
  const stops = stationsOf('b', ['Bump stop, left', 'Bump stop, right'], {
    stack: [{ kind: 'hardware', item: 'flange' }, clamped('Frame cup')],
    spec: nm(45, '33 ft-lb'),
    flats: 15,
    first: 9,
  });
  kit.stations = [...legs, ...stops];
  kit.groups = [
    groupOf('ubolts', 'U-bolts', legs, { stages: [0.33, 0.67, 1] }),
    groupOf('stops', 'Bump stops', stops, { stages: [1] }),
  ];
  kit.steps = [
    ['leaf-on', 'Lay the helper leaves on the pack, long end to the rear.', [{ type: 'fit', item: 'leaf' }]],
    ['saddle-l-on', 'Saddle on top, left.', [{ type: 'fit', item: 'saddle-l' }]],
    ['saddle-r-on', 'Saddle on top, right.', [{ type: 'fit', item: 'saddle-r' }]],
    ['u-over', 'Drop the new U-bolts over.', [{ type: 'fit', item: 'ubolt' }]],
    ['u-start', 'Washers and nuts by hand.', [{ type: 'start', group: 'ubolts' }]],
    ['u-torque', 'Nuts crosswise in three goes.', [{ type: 'torque', group: 'ubolts' }]],
    [
      'stops-in',
      'Bump stops into the frame cups.',
      [
        { type: 'fit', item: 'stop' },
        { type: 'start', group: 'stops' },
      ],
    ],
    ['stops-torque', 'Flange nuts.', [{ type: 'torque', group: 'stops' }]],
    ['pins', 'Split pins through the saddle pegs, bend both legs.', [{ type: 'fit', item: 'pin' }]],
  ].map(([id, text, actions]) => ({ id, text, phase: 'loose', actions })) as KitDocument['steps'];
  return kit;
}

/** Cold side charge pipe: clamps of four sorts, a banjo between two seals, rivet nuts, a circlip. */
export function chargePipe(): KitDocument {
  const kit = blankKit('charge-pipe', 'Cold side charge pipe', 'Calder Induction');
  kit.items = [
    kitLine('Bag 1', 'vband', '1', {
      kind: 'clamp',
      form: 'vBand',
      name: 'V-band clamp 63',
      quantity: 1,
      outsideMm: 63,
      acrossFlatsMm: 10,
    }),
    kitLine('Bag 1', 'tbolt', '2', {
      kind: 'clamp',
      form: 'tBolt',
      name: 'T-bolt clamp 63–71',
      quantity: 2,
      outsideMm: 71,
    }),
    kitLine('Bag 1', 'worm', '3', {
      kind: 'clamp',
      form: 'worm',
      name: 'Worm-drive clamp 16–27',
      quantity: 2,
      outsideMm: 27,
    }),
    kitLine('Bag 2', 'banjo', '4', {
      kind: 'bolt',
      form: 'banjo',
      name: 'Banjo bolt M12 × 1.5',
      quantity: 1,
      thread: 'M12 x 1.5',
      lengthMm: 28,
      acrossFlatsMm: 17,
    }),
    kitLine('Bag 2', 'seal', '5', {
      kind: 'washer',
      form: 'seal',
      name: 'Copper washer 12 × 18 × 1.5',
      quantity: 2,
      insideMm: 12,
      outsideMm: 18,
      thicknessMm: 1.5,
      singleUse: true,
    }),
    kitLine('Bag 2', 'rivnut', '6', {
      kind: 'nut',
      form: 'rivet',
      name: 'Rivet nut M6',
      quantity: 3,
      thread: 'M6 x 1',
      lengthMm: 14,
    }),
    kitLine('Bag 2', 'screw', '7', {
      kind: 'bolt',
      head: 'button',
      name: 'Button head M6 × 16',
      quantity: 3,
      thread: 'M6 x 1',
      lengthMm: 16,
      propertyClass: '8.8',
      codes: [
        { code: '5901234123457', pieces: 1 },
        { code: 'CW-1180-7', pieces: 3 },
      ],
    }),
    kitLine('Bag 2', 'penny', '8', {
      kind: 'washer',
      form: 'fender',
      name: 'Penny washer M6',
      quantity: 3,
      insideMm: 6.4,
      outsideMm: 18,
      thicknessMm: 1.6,
    }),
    kitLine('Bag 3', 'circlip', '9', {
      kind: 'clip',
      form: 'circlipOutside',
      name: 'Circlip 20',
      quantity: 1,
      insideMm: 20,
    }),
    kitLine('Bag 3', 'rclip', '10', {
      kind: 'pin',
      form: 'rClip',
      name: 'R-clip 3',
      quantity: 1,
      lengthMm: 60,
      outsideMm: 3,
    }),
    kitLine('Bag 3', 'push', '11', {
      kind: 'clip',
      form: 'pushIn',
      name: 'Push pin',
      quantity: 4,
      outsideMm: 18,
      insideMm: 8,
      lengthMm: 24,
    }),
    kitLine('Loose', 'pipe', '12', {
      kind: 'part',
      form: 'bentPipe',
      name: 'Charge pipe',
      quantity: 1,
      lengthMm: 480,
      facing: 'bead end to the throttle body',
    }),
    kitLine('Loose', 'elbow', '13', {
      kind: 'part',
      form: 'elbow',
      name: 'Silicone elbow',
      quantity: 1,
      lengthMm: 120,
    }),
    kitLine('Loose', 'bracket', '14', {
      kind: 'part',
      form: 'angle',
      name: 'Bracket',
      quantity: 1,
      lengthMm: 90,
      facing: 'tab faces down',
    }),
    kitLine('Loose', 'peg', '15', {
      kind: 'pin',
      form: 'dowel',
      name: 'Mounting peg 20',
      quantity: 1,
      lengthMm: 55,
      outsideMm: 20,
    }),
  ];
  kit.compounds = [{ id: 'blue', name: 'Threadlocker, medium strength', kind: 'threadlockerMedium' }];
  const screws = stationsOf('s', ['Bracket, upper', 'Bracket, middle', 'Bracket, lower'], {
    stack: [
      { kind: 'hardware', item: 'screw' },
      { kind: 'hardware', item: 'penny' },
      { kind: 'clamped', name: 'Bracket', thicknessMm: 3 },
      { kind: 'clamped', name: 'Fan shroud', thicknessMm: 3, material: 'plastic' },
      { kind: 'hardware', item: 'rivnut' },
    ],
    spec: nm(9, '9 Nm'),
    flats: 4,
    first: 1,
    compound: 'blue',
  }).map((station): Station => ({ ...station, drive: { kind: 'hexKey', acrossFlatsMm: 4 }, turned: 'head' }));
  const banjo = stationsOf('o', ['Oil feed'], {
    stack: [
      { kind: 'hardware', item: 'banjo' },
      { kind: 'hardware', item: 'seal' },
      { kind: 'clamped', name: 'Feed eye', thicknessMm: 12 },
      { kind: 'hardware', item: 'seal' },
      { kind: 'clamped', name: 'Housing', thicknessMm: 20, tapped: { depthMm: 16 } },
    ],
    spec: nm(24, '24 Nm'),
    flats: 17,
    first: 4,
  });
  const vband = stationsOf('v', ['V-band'], {
    stack: [
      { kind: 'hardware', item: 'vband' },
      { kind: 'clamped', name: 'Flanges', thicknessMm: 8 },
    ],
    spec: nm(8, '8 Nm, tap round it, 8 Nm again'),
    flats: 10,
    first: 5,
  });
  kit.stations = [...screws, ...banjo, ...vband];
  kit.groups = [
    groupOf('bracket', 'Bracket', screws, { stages: [1] }),
    groupOf('feed', 'Oil feed', banjo, { stages: [1] }),
    groupOf('band', 'V-band', vband, { stages: [1], verify: true }),
  ];
  kit.steps = [
    [
      'bracket-on',
      'Bracket on, tab down.',
      [
        { type: 'fit', item: 'bracket' },
        { type: 'start', group: 'bracket' },
      ],
    ],
    ['bracket-torque', 'M6 button heads, blue threadlock.', [{ type: 'torque', group: 'bracket' }]],
    ['peg-in', 'Peg in the bracket.', [{ type: 'fit', item: 'peg' }]],
    ['clip-on', 'Circlip on the peg, all round in its groove.', [{ type: 'fit', item: 'circlip' }]],
    ['feed-start', 'Banjo with one copper washer each side.', [{ type: 'start', group: 'feed' }]],
    ['feed-torque', 'Oil feed.', [{ type: 'torque', group: 'feed' }]],
    [
      'elbow-on',
      'T-bolt clamps on the elbow first, then the pipe.',
      [
        { type: 'fit', item: 'tbolt' },
        { type: 'fit', item: 'elbow' },
      ],
    ],
    ['pipe-in', 'Pipe in, bead past the clamp.', [{ type: 'fit', item: 'pipe' }]],
    ['band-start', 'V-band last.', [{ type: 'start', group: 'band' }]],
    ['band-torque', 'V-band.', [{ type: 'torque', group: 'band' }]],
    ['worm-on', 'Worm clamps.', [{ type: 'fit', item: 'worm' }]],
    ['rclip-in', 'R-clip through the peg.', [{ type: 'fit', item: 'rclip' }]],
    ['push-in', 'Push pins in.', [{ type: 'fit', item: 'push' }]],
  ].map(([id, text, actions]) => ({ id, text, phase: 'loose', actions })) as KitDocument['steps'];
  return kit;
}
