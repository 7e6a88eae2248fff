import fc from 'fast-check';
import { blankKit } from '#core/kit/blank-kit.ts';
import type { GroupAfter, KitDocument, Station } from '#core/kit/kit-document.ts';
import type { Step } from '#core/kit/kit-step.ts';
import { PHASES } from '#core/kit/phase.ts';
import type { StepAction } from '#core/kit/step-action.ts';

/** Random kits of one maker for tests: acts of every kind in any order a sheet may have them, and many left out. */

const PLACES = ['left', 'right'];

/** One action of each kind on the things that {@link kitOfActs} lists. Total: a kind without one does not compile. */
export const ONE_OF_EACH: { [T in StepAction['type']]: StepAction } = {
  slacken: { type: 'slacken', removed: 'r1', to: 'threadEnd' },
  support: { type: 'support', removed: 'r1', with: 'trolley jack' },
  remove: { type: 'remove', removed: 'r1' },
  refit: { type: 'refit', removed: 'r1' },
  swingAside: { type: 'swingAside', removed: 'r2' },
  swingBack: { type: 'swingBack', removed: 'r2' },
  compare: { type: 'compare', removed: 'r1', item: 'p1', points: ['length', 'holes'] },
  moveOver: { type: 'moveOver', removed: 'r3', seal: 'ring', facing: 'nipple down' },
  disconnect: { type: 'disconnect', disconnect: 'd1' },
  windBack: { type: 'windBack', disconnect: 'd1' },
  reconnect: { type: 'reconnect', disconnect: 'd1' },
  loosen: { type: 'loosen', neighbour: 'n1' },
  retighten: { type: 'retighten', neighbour: 'n1' },
  putOn: { type: 'putOn', temporary: 't1' },
  refitForNow: { type: 'refitForNow', temporary: 't2' },
  clear: { type: 'clear', temporary: 't1' },
  lift: { type: 'lift', end: 'front' },
  lower: { type: 'lower' },
  clean: { type: 'clean', places: PLACES },
  dry: { type: 'dry', places: PLACES },
  chase: { type: 'chase', places: PLACES, thread: 'M10 x 1.5' },
  soak: { type: 'soak', places: PLACES, minutes: 20 },
  coolDown: { type: 'coolDown', what: 'exhaust', minutes: 30, belowC: 40 },
  warmUp: { type: 'warmUp', what: 'bush', aboveC: 60 },
  measure: { type: 'measure', baseline: 'b1' },
  check: { type: 'check', check: 'c1' },
  test: { type: 'test', check: 'c2' },
  drill: { type: 'drill', diameterMm: 11, pilotMm: 4, edgeMm: 15, template: 'plate', treatWith: 'zinc paint' },
  ream: { type: 'ream', what: 'bore', diameterMm: 12 },
  cut: { type: 'cut', what: 'liner', irreversible: 'i1' },
  bend: { type: 'bend', what: 'tab' },
  decide: { type: 'decide', irreversible: 'i1' },
  choose: { type: 'choose', choice: 'k1' },
  apply: { type: 'apply', compound: 'locker', end: 'bolt' },
  leaveDry: { type: 'leaveDry', group: 'g2' },
  fit: { type: 'fit', item: 'p1' },
  buildStack: { type: 'buildStack', station: 's1' },
  press: { type: 'press', item: 'p1', into: 'eye', minMm: 2, maxMm: 4, measureFit: true },
  preset: {
    type: 'preset',
    what: 'arm',
    places: PLACES,
    lengthMm: 400,
    pitchMm: 1.5,
    movingEnds: 2,
    inMeshMm: 16,
    longestMm: 430,
  },
  shim: { type: 'shim', what: 'bracket', places: PLACES, shims: ['shim'], openMm: 0.6 },
  align: { type: 'align', check: 'c1', authorityDeg: 1.2, lobeOut: 'topOut', startDeg: 0 },
  start: { type: 'start', group: 'g1' },
  snug: { type: 'snug', group: 'g1' },
  torque: { type: 'torque', group: 'g1' },
  verify: { type: 'verify', group: 'g1' },
  hold: { type: 'hold', group: 'g1', by: 'helperPedal', otherwise: 'bar across the studs' },
  grease: { type: 'grease', places: PLACES },
  bleed: { type: 'bleed', places: PLACES },
  fill: { type: 'fill', what: 'oil', amount: 1.2, unit: 'L' },
  wait: { type: 'wait', minutes: 15 },
  followKit: { type: 'followKit', kit: 'another' },
  do: { type: 'do', text: 'Tie the hose back' },
};

/** Actions that must not come before another, as no sheet that can be worked has them. */
const LATER: Partial<Record<StepAction['type'], ReadonlyArray<StepAction['type']>>> = {
  refit: ['remove'],
  swingBack: ['swingAside'],
  reconnect: ['disconnect'],
  retighten: ['loosen'],
  clear: ['putOn'],
  lower: ['lift'],
  snug: ['start'],
  torque: ['snug', 'start'],
  verify: ['torque', 'snug', 'start'],
  apply: ['start'],
};

const station = (id: string, compound?: string): Station => ({
  id,
  label: id,
  name: `hole ${id}`,
  xMm: Number(id.slice(1)) * 60,
  yMm: 0,
  stack: [{ kind: 'hardware', item: 'bolt' }],
  ...(compound ? { compound } : {}),
  specs: [{ spec: { kind: 'torque', targetNm: 40 }, printed: '40 N·m' }],
  drive: { kind: 'hex', acrossFlatsMm: 16 },
});

const TORN: StepAction = { type: 'do', text: 'Patch it' };

/** A kit that lists one of everything, and writes these actions, a step each. */
export function kitOfActs(
  actions: readonly StepAction[],
  { after = [], looseWith = false, people = 1 }: { after?: GroupAfter[]; looseWith?: boolean; people?: number } = {},
): KitDocument {
  const group = (id: string, stations: string[], more: object) => ({
    id,
    title: `Joints ${id}`,
    map: { title: '', note: '', widthMm: 400, heightMm: 100, shapes: [] },
    stations,
    ...more,
  });
  const { length } = actions;
  return {
    ...blankKit('acts', 'Acts', 'Pennant Works'),
    items: [
      { id: 'bolt', line: 'A1', bag: 'A', kind: 'bolt', name: 'M10 bolt', quantity: 4, source: 'kit' },
      {
        id: 'shim',
        line: 'A3',
        bag: 'A',
        kind: 'part',
        name: 'Shim 0.5',
        quantity: 4,
        source: 'kit',
        thicknessMm: 0.5,
      },
      {
        id: 'p1',
        line: 'A2',
        bag: 'A',
        kind: 'part',
        name: 'Plate',
        quantity: 1,
        source: 'kit',
        mark: 'L',
        facing: 'lip up',
        fittedWith: 'g1',
        serial: true,
        insert: 'sleeve',
      },
    ],
    compounds: [
      { id: 'locker', name: 'medium locker', kind: 'threadlockerMedium', workingWindowMin: 240, fixtureMin: 20 },
    ],
    stations: [station('s1', 'locker'), station('s2', 'locker'), station('s3'), station('s4')],
    groups: [
      group('g1', ['s1', 's2'], looseWith ? { looseWith: ['g2'] } : {}),
      group('g2', ['s3', 's4'], after.length > 0 ? { after } : {}),
    ],
    prerequisites: [
      { id: 'q1', text: 'wheel bore', kind: 'bore', unit: 'mm', min: 60, places: ['front left', 'spare'] },
      { id: 'q2', text: 'oil in the shop', kind: 'fluid' },
    ],
    baselines: [{ id: 'b1', name: 'ride height', quantity: 'rideHeight', places: PLACES }],
    choices: [
      {
        id: 'k1',
        text: 'Tip',
        by: 'owner',
        options: [
          { value: 'in', label: 'In', consequence: 'quiet' },
          { value: 'out', label: 'Out', consequence: 'loud' },
        ],
      },
    ],
    irreversible: [{ id: 'i1', text: 'Cut the liner', reversibleWay: 'Fold it back' }],
    temporary: [
      { id: 't1', name: 'tape', goneBefore: { close: true } },
      { id: 't2', name: 'two bolts for now', goneBefore: { close: true } },
    ],
    neighbours: [
      { id: 'n1', name: 'line bracket', spec: { spec: { kind: 'torque', targetNm: 20 }, printed: '20 N·m' } },
    ],
    removed: [
      { id: 'r1', name: 'shield', count: 1, fate: 'refit', support: 'a jack', hangs: 'the hose' },
      { id: 'r2', name: 'link', count: 1, fate: 'refit' },
      { id: 'r3', name: 'sensor ring', count: 2, fate: 'transfer', movesTo: 'new hub' },
      { id: 'r4', name: 'old bush', count: 2, fate: 'scrap' },
    ],
    disconnects: [
      { id: 'd1', name: 'sensor', kind: 'sensor', side: 'left', turns: 4, tag: true },
      { id: 'd2', name: 'lamp', kind: 'connector', retires: true },
    ],
    checks: [
      { id: 'c1', text: 'gap', unit: 'mm', min: 4, max: 8, places: PLACES, spread: 1.5, gates: ['g2'] },
      { id: 'c2', text: 'no leak' },
    ],
    // What is found at the first step decides whether there is a last one.
    questions: length > 0 ? [{ id: 'f1', text: 'Is it torn?', kind: 'yesNo', askedAt: 't1', places: PLACES }] : [],
    steps: [...actions, ...(length > 0 ? [TORN] : [])].map(
      (action, index): Step => ({
        id: `t${index + 1}`,
        ...(action === TORN ? { when: { question: 'f1', at: 'left', is: true } } : {}),
        text: action.type,
        phase: PHASES[Math.floor((index / Math.max(1, length)) * PHASES.length)] ?? 'prepare',
        actions: [action],
        ...(people > 1 && index % 3 === 0 ? { people } : {}),
      }),
    ),
  };
}

/** Any of the actions in any order that has what must come first first. */
function inOrder(actions: readonly StepAction[]): StepAction[] {
  const placed: StepAction[] = [];
  for (const action of actions) {
    const before = actions.filter(({ type }) => LATER[action.type]?.includes(type));
    if (before.every((one) => placed.includes(one))) placed.push(action);
  }
  return placed;
}

export const anyActsKit: fc.Arbitrary<KitDocument> = fc
  .record({
    actions: fc.shuffledSubarray(Object.values(ONE_OF_EACH)),
    holds: fc.constantFrom('start' as const, 'snug' as const, 'torque' as const),
    after: fc.boolean(),
    looseWith: fc.boolean(),
    people: fc.constantFrom(1, 2),
  })
  .map(({ actions, holds, after, looseWith, people }) =>
    kitOfActs(inOrder(actions), {
      after: after ? [{ group: 'g1', holds }] : [],
      // A group that must be finished first cannot stay loose with the one that waits for it.
      looseWith: looseWith && !after,
      people,
    }),
  );
