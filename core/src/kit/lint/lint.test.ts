import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_KITS } from '#demo/kits.ts';
import { blankKit } from '../blank-kit.ts';
import type { Item, KitDocument, Station } from '../kit-document.ts';
import { kitFaults } from '../kit-integrity.ts';
import { FINDING_CODES, type FindingCode } from './finding.ts';
import { lintKit } from './lint.ts';

const bolt = (change: Partial<Item> = {}): Item => ({
  id: 'bolt',
  line: 'A1',
  bag: 'A',
  kind: 'bolt',
  name: 'Bolt M10 × 1.5 × 40',
  quantity: 4,
  source: 'kit',
  thread: 'M10 x 1.5',
  lengthMm: 40,
  head: 'hex',
  acrossFlatsMm: 16,
  propertyClass: '8.8',
  ...change,
});
const HARDWARE: Item[] = [
  bolt(),
  {
    id: 'washer',
    line: 'A2',
    bag: 'A',
    kind: 'washer',
    name: 'Washer 10',
    quantity: 8,
    source: 'kit',
    thicknessMm: 2,
    leftover: [{ quantity: 0 }],
  },
  {
    id: 'nut',
    line: 'A3',
    bag: 'A',
    kind: 'nut',
    name: 'Nut M10',
    quantity: 4,
    source: 'kit',
    thread: 'M10 x 1.5',
    thicknessMm: 8.4,
    propertyClass: '8',
  },
  {
    id: 'left',
    line: 'B1',
    bag: 'B',
    kind: 'part',
    name: 'Bracket, left',
    quantity: 1,
    source: 'kit',
    side: 'left',
    mark: 'L',
    fittedWith: 'plate',
  },
  {
    id: 'right',
    line: 'B2',
    bag: 'B',
    kind: 'part',
    name: 'Bracket, right',
    quantity: 1,
    source: 'kit',
    side: 'right',
    mark: 'R',
    fittedWith: 'plate',
  },
];
const station = (index: number): Station => ({
  id: `s${index}`,
  label: String(index),
  name: `Hole ${index}`,
  xMm: index % 2 ? 0 : 100,
  yMm: index < 3 ? 0 : 100,
  stack: [
    { kind: 'hardware', item: 'bolt' },
    { kind: 'hardware', item: 'washer' },
    { kind: 'clamped', name: 'Bracket', thicknessMm: 6, material: 'steel', holeMm: 11 },
    { kind: 'clamped', name: 'Frame rail', thicknessMm: 14, material: 'steel', holeMm: 11 },
    { kind: 'hardware', item: 'washer' },
    { kind: 'hardware', item: 'nut' },
  ],
  specs: [{ spec: { kind: 'torque', targetNm: 45 }, printed: '45 N·m' }],
  drive: { kind: 'hex', acrossFlatsMm: 16 },
});

/** A kit with nothing wrong, to which each rule's fault is then added. */
const sound = (): KitDocument => ({
  ...blankKit('brackets', 'Brackets', 'Pennant Works'),
  questions: [
    { id: 'year', text: 'Model year?', kind: 'number', min: 1990, max: 2030 },
    { id: 'shield', text: 'Is there a shield?', kind: 'yesNo' },
  ],
  items: structuredClone(HARDWARE),
  compounds: [{ id: 'locker', name: 'Medium locker', kind: 'threadlockerMedium', workingWindowMin: 10 }],
  stations: [1, 2, 3, 4].map(station),
  groups: [
    {
      id: 'plate',
      title: 'Brackets',
      map: { title: 'Brackets', note: '', widthMm: 200, heightMm: 200, shapes: [] },
      stations: ['s1', 's2', 's3', 's4'],
      torqueOrder: { pattern: 'cross' },
      verify: true,
    },
  ],
  cautions: [{ id: 'c1', text: 'Eye protection', when: { question: 'year', atLeast: 1990 } }],
  removed: [{ id: 'cover', name: 'Cover bolts', count: 6, fate: 'refit', when: { question: 'shield', is: true } }],
  disconnects: [{ id: 'lamp', name: 'Fog lamp', kind: 'connector' }],
  neighbours: [{ id: 'link', name: 'Drop link' }],
  temporary: [{ id: 'tape', name: 'Tape', goneBefore: { close: true } }],
  aftercare: [{ id: 'again', text: 'Check the brackets', about: 'joints', afterKm: 800 }],
  steps: [
    {
      id: 'p1',
      text: 'Take the cover off',
      phase: 'strip',
      actions: [
        { type: 'remove', removed: 'cover' },
        { type: 'disconnect', disconnect: 'lamp' },
        { type: 'loosen', neighbour: 'link' },
      ],
    },
    {
      id: 'p2',
      text: 'Start all bolts',
      phase: 'loose',
      actions: [
        { type: 'fit', item: 'left' },
        { type: 'fit', item: 'right' },
        { type: 'start', group: 'plate' },
      ],
    },
    { id: 'p3', text: 'Torque', phase: 'torque', actions: [{ type: 'torque', group: 'plate' }] },
    {
      id: 'p4',
      text: 'Cover on',
      phase: 'prove',
      actions: [
        { type: 'refit', removed: 'cover' },
        { type: 'reconnect', disconnect: 'lamp' },
        { type: 'retighten', neighbour: 'link' },
        { type: 'clear', temporary: 'tape' },
      ],
    },
  ],
});

const item = (kit: KitDocument, id: string): Item => kit.items.find((entry) => entry.id === id) as Item;
const at = (kit: KitDocument, index = 0): Station => kit.stations[index] as Station;
const torque = (kit: KitDocument, targetNm: number, printed = `${targetNm} N·m`, index?: number) => {
  for (const [place, entry] of kit.stations.entries())
    if (index === undefined || index === place) entry.specs = [{ spec: { kind: 'torque', targetNm }, printed }];
};
const rail = (kit: KitDocument) =>
  kit.stations.map((entry) => entry.stack[3] as Extract<Station['stack'][number], { kind: 'clamped' }>);
const step = (kit: KitDocument, index: number) => kit.steps[index] as KitDocument['steps'][number];
/** Screwed into the rail instead of a nut. */
const tapped = (kit: KitDocument, depthMm: number, blind: boolean, material: 'steel' | 'aluminium' = 'steel') => {
  for (const entry of kit.stations) {
    entry.stack = entry.stack.slice(0, 3);
    entry.stack.push({ kind: 'clamped', name: 'Block', thicknessMm: 40, material, tapped: { depthMm, blind } });
  }
};

const FAULTS: Record<FindingCode, (kit: KitDocument) => void> = {
  overProof: (kit) => torque(kit, 110),
  mayPassProof: (kit) => torque(kit, 68),
  littlePreload: (kit) => torque(kit, 5),
  classUnknown: (kit) => Object.assign(item(kit, 'bolt'), { propertyClass: undefined }),
  twelveTimes: (kit) => torque(kit, 45 / 12, '45 in-lb', 3),
  offNeighbours: (kit) => torque(kit, 10, '10 N·m', 3),
  pairDisagrees: (kit) => torque(kit, 45, '45 N·m (45 ft-lb)'),
  boltBySocket: (kit) => Object.assign(item(kit, 'bolt'), { name: '16 mm bolt', thread: undefined }),
  driveNotOfThread: (kit) => {
    for (const entry of kit.stations) entry.drive = { kind: 'hex', acrossFlatsMm: 22 };
  },
  twoDriveSizes: (kit) => Object.assign(item(kit, 'nut'), { acrossFlatsMm: 17 }),
  short: (kit) => Object.assign(item(kit, 'washer'), { quantity: 7 }),
  leftoverDiffers: (kit) => Object.assign(item(kit, 'washer'), { quantity: 10 }),
  sidesUneven: (kit) => Object.assign(item(kit, 'right'), { quantity: 2 }),
  neverUsed: (kit) => kit.items.push(bolt({ id: 'odd', line: 'C1' })),
  notRefitted: (kit) => step(kit, 3).actions.splice(0, 1, { type: 'refit', removed: 'cover', count: 4 }),
  refittedTooOften: (kit) => step(kit, 3).actions.push({ type: 'refit', removed: 'cover' }),
  notReconnected: (kit) => step(kit, 3).actions.splice(1, 1),
  notRetightened: (kit) => step(kit, 3).actions.splice(2, 1),
  notCleared: (kit) => step(kit, 3).actions.splice(3, 1),
  noFigure: (kit) => {
    at(kit).specs = [{ spec: { kind: 'missing', why: 'byFeel' }, printed: 'good and tight' }];
  },
  unitAmbiguous: (kit) => torque(kit, 45, '45'),
  noWasherHighTorque: (kit) => {
    torque(kit, 62);
    for (const entry of kit.stations) entry.stack.splice(4, 1);
  },
  noWasherSoft: (kit) => {
    for (const entry of kit.stations) entry.stack.splice(4, 1);
    for (const piece of rail(kit)) piece.material = 'aluminium';
  },
  engagementShort: (kit) => Object.assign(item(kit, 'bolt'), { lengthMm: 30 }),
  bottomsOut: (kit) => tapped(kit, 20, true),
  noThreadShowing: (kit) => Object.assign(item(kit, 'bolt'), { lengthMm: 33 }),
  lockerWithAntiSeize: (kit) => {
    at(kit).compound = 'locker';
    Object.assign(item(kit, 'bolt'), { finish: 'anti-seize coated' });
  },
  lockerOnLockingNut: (kit) => {
    at(kit).compound = 'locker';
    Object.assign(item(kit, 'nut'), { locking: 'nylon' });
  },
  lockerNearPlastic: (kit) => {
    at(kit).compound = 'locker';
    for (const piece of rail(kit)) piece.material = 'plastic';
  },
  figureForOtherThread: (kit) => {
    at(kit).compound = 'locker';
    (at(kit).specs[0] as { basis?: string }).basis = 'dry';
  },
  highWhereUndone: (kit) => {
    kit.compounds = [{ id: 'locker', name: 'High-strength locker', kind: 'threadlockerHigh' }];
    Object.assign(at(kit), { compound: 'locker', tags: ['changesGeometry'] });
  },
  slipperyFrictionFace: (kit) => {
    kit.compounds = [{ id: 'locker', name: 'Grease', kind: 'grease' }];
    Object.assign(at(kit), { compound: 'locker', tags: ['frictionFace'] });
  },
  slipperyWheel: (kit) => {
    kit.compounds = [{ id: 'locker', name: 'Grease', kind: 'grease' }];
    Object.assign(at(kit), { compound: 'locker', tags: ['wheel'] });
  },
  noOrder: (kit) => Object.assign(kit.groups[0] as object, { torqueOrder: undefined }),
  betterOrder: (kit) => Object.assign(kit.groups[0] as object, { torqueOrder: { list: ['s1', 's2', 's3', 's4'] } }),
  specGap: (kit) => {
    at(kit).specs = [
      { spec: { kind: 'torque', targetNm: 45 }, printed: '45 N·m', when: { question: 'year', atLeast: 2016 } },
    ];
  },
  specOverlap: (kit) => {
    at(kit).specs = [
      { spec: { kind: 'torque', targetNm: 45 }, printed: '45 N·m', when: { question: 'year', atLeast: 2016 } },
      { spec: { kind: 'torque', targetNm: 50 }, printed: '50 N·m', when: { question: 'year', atMost: 2016 } },
    ];
  },
  neverApplies: (kit) => {
    step(kit, 1).when = {
      all: [
        { question: 'year', atLeast: 2016 },
        { question: 'year', atMost: 2010 },
      ],
    };
  },
  foundTooLate: (kit) => {
    const [first, second] = kit.steps;
    kit.questions.push({ id: 'rust', text: 'Is it rusty?', kind: 'yesNo', askedAt: second?.id });
    if (first) first.when = { question: 'rust', is: true };
  },
  questionUnused: (kit) => kit.questions.push({ id: 'colour', text: 'Which colour?', kind: 'yesNo' }),
  tooManyCombinations: (kit) => {
    for (let index = 0; index < 13; index++) {
      kit.questions.push({ id: `q${index}`, text: `Question ${index}?`, kind: 'yesNo' });
      kit.cautions.push({ id: `q${index}`, text: 'Mind this', when: { question: `q${index}`, is: true } });
    }
  },
  stepsInCircle: (kit) => {
    step(kit, 1).after = ['p3'];
  },
  stepUnreachable: (kit) => {
    step(kit, 0).when = { question: 'shield', is: true };
    Object.assign(step(kit, 2), { when: { question: 'shield', is: false }, after: ['p1'] });
  },
  torqueBeforeStart: (kit) => {
    kit.steps.splice(1, 2, step(kit, 2), step(kit, 1));
  },
  gateAgainstSteps: (kit) => {
    const [group] = kit.groups as [KitDocument['groups'][number]];
    kit.checks.push({ id: 'late', text: 'Gap even', gates: [group.id] });
    kit.steps.push({ id: 'look', text: 'Look', phase: 'prove', actions: [{ type: 'check', check: 'late' }] });
  },
  partBeforeSupport: (kit) => Object.assign(item(kit, 'left'), { sitsOn: 'right' }),
  groupNotInSteps: (kit) => {
    kit.groups.push({
      ...(kit.groups[0] as KitDocument['groups'][number]),
      id: 'other',
      stations: ['s4'],
      title: 'Other',
    });
    (kit.groups[0] as KitDocument['groups'][number]).stations.pop();
  },
  boltCannotPass: (kit) => {
    for (const piece of rail(kit)) piece.holeMm = 8.5;
  },
  holeTight: (kit) => {
    for (const piece of rail(kit)) piece.holeMm = 10.2;
  },
  tapDrillWrong: (kit) => {
    tapped(kit, 30, false);
    for (const entry of kit.stations) entry.drillMm = 9.5;
  },
  stretchBoltNotMarked: (kit) => {
    at(kit).specs = [
      {
        spec: { kind: 'torqueAngle', thresholdNm: 40, angleDeg: 90, angleToleranceDeg: 5 },
        printed: '40 N·m plus 90°',
      },
    ];
  },
  oneUseReused: (kit) => Object.assign(item(kit, 'nut'), { locking: 'nylon', source: 'factory' }),
  noVerify: (kit) => {
    at(kit).tags = ['safetyCritical'];
    Object.assign(kit.groups[0] as object, { verify: false });
  },
  bushNotAtRideHeight: (kit) => {
    at(kit).tags = ['rubberBonded'];
  },
  torquedWhileLifted: (kit) => {
    Object.assign(kit.groups[0] as object, { atRideHeight: true });
    step(kit, 0).actions.push({ type: 'lift' });
  },
  windowTooShort: (kit) => {
    for (const entry of kit.stations) entry.compound = 'locker';
    (kit.compounds[0] as { workingWindowMin?: number }).workingWindowMin = 4;
  },
  forceForTorque: (kit) => torque(kit, 45, '33 lb'),
  threadNotNamed: (kit) => {
    torque(kit, 430, '430 N·m');
    for (const id of ['bolt', 'nut']) Object.assign(item(kit, id), { thread: undefined });
  },
  wideRange: (kit) => {
    at(kit).specs = [{ spec: { kind: 'range', minNm: 5, maxNm: 45 }, printed: '5-45 N·m' }];
  },
  outOfEnvelope: (kit) => Object.assign(item(kit, 'bolt'), { lengthMm: 550 }),
  noAlignment: (kit) => {
    at(kit).tags = ['changesGeometry'];
  },
  noWheelTorque: (kit) => {
    step(kit, 0).needs = ['wheelsOff'];
  },
  noWheelRetorque: (kit) => kit.removed.push({ id: 'w', name: 'Front wheels', count: 2, fate: 'keep' }),
  sizesVoteForAnother: (kit) => {
    for (const entry of kit.stations) {
      entry.drive = { kind: 'hex', acrossFlatsMm: 10 };
      entry.drillMm = 6.6;
    }
  },
  checkWithoutLimits: (kit) => kit.checks.push({ id: 'c', text: 'Gap to the exhaust', unit: 'mm' }),
  limitInWords: (kit) => kit.checks.push({ id: 'c', text: 'Gap to the exhaust at least 10 mm' }),
  sidesInWords: (kit) => kit.checks.push({ id: 'c', text: 'Gap at least 10 mm on both sides', unit: 'mm', min: 10 }),
  refitsScrapped: (kit) => {
    kit.removed.push({ id: 'stop', name: 'bump stop', count: 1, fate: 'scrap' });
    step(kit, 0).actions.push({ type: 'refit', removed: 'stop' });
  },
  thousandsComma: (kit) => torque(kit, 45, '45,000 N·m'),
  quantityOdd: (kit) => Object.assign(item(kit, 'bolt'), { quantity: 4711 }),
  notNamedYet: (kit) => kit.tools.push({ id: 't', name: 'New tool' }),
  threadOfOtherSystem: (kit) => {
    for (const id of ['x1', 'x2', 'x3'])
      kit.items.push({ id, line: id, bag: 'A', kind: 'bolt', name: id, quantity: 1, source: 'kit', thread: '3/8-16' });
    for (const entry of kit.items) if (entry.thread?.startsWith('M') && entry.id !== 'bolt') delete entry.thread;
  },
};

describe('the lint', () => {
  it('finds nothing in a sound kit but what a note may say', () => {
    expect(kitFaults(sound())).toEqual([]);
    expect(lintKit(sound()).filter((entry) => entry.severity !== 'note')).toEqual([]);
  });
  it('has twenty-two rules', () => {
    expect(new Set(Object.values(FINDING_CODES).map(({ rule }) => rule)).size).toBe(22);
  });
  it.each(Object.keys(FAULTS) as FindingCode[])('%s: not in the sound kit, and in the faulty one', (code) => {
    const kit = sound();
    expect(lintKit(kit).map((entry) => entry.code)).not.toContain(code);
    FAULTS[code](kit);
    expect(lintKit(kit).map((entry) => entry.code)).toContain(code);
  });
  it('lets the demo kits be released', () => {
    for (const kit of DEMO_KITS) expect(lintKit(kit).filter((entry) => entry.severity === 'error')).toEqual([]);
  });
  it('names the answers that show a gap', () => {
    const kit = sound();
    FAULTS.specGap(kit);
    const answers = lintKit(kit).find((entry) => entry.code === 'specGap')?.answers;
    expect(Object.keys(answers ?? {})).toEqual(['year']);
    expect(Number(answers?.year)).toBeLessThan(2016);
  });
  it('tells one fault at several stations once', () => {
    const kit = sound();
    FAULTS.overProof(kit);
    const [first, ...rest] = lintKit(kit).filter((entry) => entry.code === 'overProof');
    expect(rest).toEqual([]);
    expect(first?.also).toHaveLength(3);
  });
  it('49 lbf·ft is near full load for a dry M10 of class 8.8, and 110 passes proof (facts of the trade, M06)', () => {
    const kit = sound();
    torque(kit, 66.4, '49 ft-lb');
    const near = lintKit(kit).find((entry) => entry.rule === 1);
    expect(near?.code).toBe('mayPassProof');
    torque(kit, 149, '110 ft-lb');
    expect(lintKit(kit).find((entry) => entry.rule === 1)?.code).toBe('overProof');
  });
});

describe('laws', () => {
  const anyFaults = fc.uniqueArray(fc.constantFrom(...(Object.keys(FAULTS) as FindingCode[])), { maxLength: 6 });
  it('never throws, is deterministic, and every finding has a path and a place', () => {
    fc.assert(
      fc.property(anyFaults, (codes) => {
        const kit = sound();
        for (const code of codes) {
          try {
            FAULTS[code](kit);
          } catch {
            // Two faults may take each other's ground away; the kit made so far is still a kit.
          }
        }
        const found = lintKit(kit);
        expect(lintKit(structuredClone(kit))).toEqual(found);
        for (const entry of found) {
          expect(entry.place.length).toBeGreaterThan(0);
          expect(entry.path.length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 60 },
    );
  });
  it('torque against strength is monotone: more torque never clears overProof', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 300 }), fc.integer({ min: 1, max: 100 }), (low, more) => {
        const over = (nm: number) => {
          const kit = sound();
          torque(kit, nm);
          return lintKit(kit).some((entry) => entry.code === 'overProof');
        };
        expect(!over(low) || over(low + more)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

describe('what the rules look at twice', () => {
  const codesOf = (change: (kit: KitDocument) => void): FindingCode[] => {
    const kit = sound();
    change(kit);
    return lintKit(kit).map(({ code }) => code);
  };
  it('a key votes with the hole: 8 mm turns an M10 by ISO 4762, not an M12', () => {
    const found = codesOf((kit) => {
      Object.assign(item(kit, 'bolt'), { head: 'socketCap' });
      for (const entry of kit.stations) {
        entry.drive = { kind: 'hexKey', acrossFlatsMm: 5 };
        entry.drillMm = 6.6;
      }
    });
    expect(found).toContain('sizesVoteForAnother');
  });
  it('a shoulder bolt is called by its shoulder, which no socket turns (ISO 7379)', () => {
    const named = (name: string) => codesOf((kit) => Object.assign(item(kit, 'bolt'), { name, thread: undefined }));
    expect(named('12 mm shoulder bolt')).not.toContain('boltBySocket');
    expect(named('13 mm flange bolt')).toContain('boltBySocket');
  });
  it('a locker by the joint and paste by a step are two things on one thread', () => {
    const found = codesOf((kit) => {
      kit.compounds.push({ id: 'paste2', name: 'Paste', kind: 'antiSeize' });
      at(kit).compound = 'locker';
      step(kit, 0).actions.push({ type: 'apply', compound: 'paste2', group: kit.groups[0]?.id ?? '' });
    });
    expect(found).toContain('lockerWithAntiSeize');
  });
  it.each([
    ['washer', { insideMm: 0.4 }],
    ['washer', { thicknessMm: 45 }],
    ['nut', { acrossFlatsMm: 130 }],
  ])('a %s of %j is none', (id, dimension) => {
    expect(codesOf((kit) => Object.assign(item(kit, id), dimension))).toContain('outOfEnvelope');
  });
});
