import { say } from '#contract/wording/say.ts';
import { blankKit } from '#core/kit/blank-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';

const SCREWS = ['1', '2', '3', '4'] as const;
const PLACE: Record<(typeof SCREWS)[number], readonly [xMm: number, yMm: number]> = {
  '1': [60, 40],
  '2': [180, 40],
  '3': [180, 120],
  '4': [60, 120],
};

/** A small kit to practise on: something to count, to look at, to measure, to lock and to torque in two passes. */
export const PRACTICE_KIT: KitDocument = {
  ...blankKit('practice-plate', say('Practice plate'), say('Hatch & Vane')),
  items: [
    {
      id: 'plate',
      line: 'A1',
      bag: say('Bag A'),
      kind: 'part',
      form: 'plate',
      name: 'Practice plate',
      quantity: 1,
      source: 'kit',
    },
    {
      id: 'screw',
      line: 'A2',
      bag: say('Bag A'),
      kind: 'bolt',
      name: 'Screw M8 × 1.25 × 25',
      thread: 'M8 x 1.25',
      lengthMm: 25,
      head: 'hex',
      acrossFlatsMm: 13,
      propertyClass: '8.8',
      quantity: 4,
      source: 'kit',
    },
    {
      id: 'washer',
      line: 'A3',
      bag: say('Bag A'),
      kind: 'washer',
      name: 'Washer M8',
      insideMm: 8.4,
      outsideMm: 16,
      thicknessMm: 1.6,
      quantity: 5,
      source: 'kit',
    },
  ],
  stations: SCREWS.map((label) => ({
    id: `p${label}`,
    label,
    name: `Plate screw ${label}`,
    xMm: PLACE[label][0],
    yMm: PLACE[label][1],
    stack: [
      { kind: 'hardware' as const, item: 'screw' },
      { kind: 'hardware' as const, item: 'washer' },
      { kind: 'clamped' as const, name: 'Practice plate', thicknessMm: 5 },
    ],
    specs: [{ spec: { kind: 'torque' as const, targetNm: 22 }, printed: '22 N·m' }],
    drive: { kind: 'hex' as const, acrossFlatsMm: 13 },
  })),
  groups: [
    {
      id: 'plate-screws',
      title: say('Plate screws'),
      map: { title: say('Practice plate'), note: '', widthMm: 240, heightMm: 160, shapes: [] },
      stations: SCREWS.map((label) => `p${label}`),
      torqueOrder: { list: ['p1', 'p3', 'p2', 'p4'] },
    },
  ],
  cautions: [
    { id: 'hands', text: say('A vehicle on a lift stands on its arms, not on hope: look before you go under.') },
  ],
  aftercare: [{ id: 'again', text: say('Look at the four screws after 100 km.'), about: 'joints', afterKm: 100 }],
  steps: [
    {
      id: 'look',
      number: '1',
      text: say('Clean the face the plate sits on, and look at it: no rust, no paint in thick drops.'),
      phase: 'prepare',
      actions: [{ type: 'do', text: say('Clean the face the plate sits on') }],
    },
    {
      id: 'start',
      number: '2',
      text: say('Plate up, all four screws in by hand, a washer under each.'),
      phase: 'loose',
      actions: [
        { type: 'fit', item: 'plate' },
        { type: 'start', group: 'plate-screws' },
      ],
    },
    {
      id: 'gap',
      number: '3',
      text: say('Gap between plate and frame rail 3 mm to 6 mm.'),
      phase: 'align',
      actions: [{ type: 'do', text: say('Gap between plate and frame rail 3 mm to 6 mm') }],
    },
    {
      id: 'torque',
      number: '4',
      text: say('Tighten the four screws to 22 N·m, crosswise.'),
      phase: 'torque',
      actions: [
        { type: 'snug', group: 'plate-screws' },
        { type: 'torque', group: 'plate-screws' },
      ],
    },
  ],
};
