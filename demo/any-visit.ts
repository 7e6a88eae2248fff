import fc from 'fast-check';
import { blankKit } from '#core/kit/blank-kit.ts';
import type { Condition } from '#core/kit/condition.ts';
import type { Item, JointGroup, KitDocument, Question, Station } from '#core/kit/kit-document.ts';
import type { RemovedThing, Step } from '#core/kit/kit-step.ts';
import type { Phase } from '#core/kit/phase.ts';
import type { StepAction } from '#core/kit/step-action.ts';
import { kitPrefix, type VisitKit } from '#core/visit/visit.ts';

/** Random visits for tests: kits that share a few things and a few joints, some of them in contrary order. */

const SHARED_THINGS = [
  'front wheels',
  'rear wheels',
  'splash shield',
  'battery tray',
  'rear bumper',
  'front wheel nuts',
  'shield bolts',
];
/** What of them are fasteners, with the figure they go back with where the sheets give one. */
const FASTENERS: Readonly<Record<string, Partial<RemovedThing>>> = {
  'front wheel nuts': {
    kind: 'nut',
    count: 10,
    specs: [{ spec: { kind: 'torque', targetNm: 110 }, printed: '110 N·m' }],
  },
  'shield bolts': { kind: 'bolt', count: 3 },
};
const SHARED_JOINTS = ['rear damper lower bolt', 'frame hole 3', 'cross-member bolt'];
const FATES = ['refit', 'transfer', 'keep', 'scrap'] as const;

const QUESTIONS: Question[] = [
  { id: 'year', text: 'Model year', kind: 'number', min: 2000, max: 2030, from: 'modelYear' },
  { id: 'shield', text: 'Is there a shield?', kind: 'yesNo' },
];
const CONDITIONS: Array<Condition | undefined> = [
  undefined,
  undefined,
  { question: 'year', atLeast: 2016 },
  { question: 'shield', is: true },
  { all: [{ question: 'year', atMost: 2015 }, { not: { question: 'shield', is: true } }] },
];

export interface AnyKit {
  things: Array<{ name: number; fate: number; refit: boolean }>;
  joints: Array<{ place: number; torqueNm: number; when: number }>;
  own: number;
  lift: boolean;
  /** Sorts the closings of the sheet: contrary orders between kits. */
  shuffle: number;
}

const anyKit: fc.Arbitrary<AnyKit> = fc.record({
  things: fc.uniqueArray(fc.record({ name: fc.nat(SHARED_THINGS.length - 1), fate: fc.nat(3), refit: fc.boolean() }), {
    selector: ({ name }) => name,
    maxLength: 4,
  }),
  joints: fc.uniqueArray(
    fc.record({
      place: fc.nat(SHARED_JOINTS.length - 1),
      torqueNm: fc.constantFrom(40, 52, 90),
      when: fc.nat(CONDITIONS.length - 1),
    }),
    { selector: ({ place }) => place, maxLength: 3 },
  ),
  own: fc.integer({ min: 1, max: 4 }),
  lift: fc.boolean(),
  shuffle: fc.nat(5),
});

const when = (index: number): { when?: Condition } => {
  const condition = CONDITIONS[index];
  return condition === undefined ? {} : { when: condition };
};

/** A kit document of a random shape. */
export function kitOf(shape: AnyKit, id: string): KitDocument {
  const kit = blankKit(id, `Kit ${id}`, 'Pennant Works');
  const items: Item[] = [];
  const stations: Station[] = [];
  const joint = (index: number, place: string | undefined, torqueNm: number, condition: number) => {
    const item = `b${index}`;
    items.push({ id: item, line: `A${index}`, bag: 'A', kind: 'bolt', name: 'M10 bolt', quantity: 1, source: 'kit' });
    stations.push({
      id: `s${index}`,
      label: String(index + 1),
      name: place ?? `Bracket bolt ${index}`,
      ...(place === undefined ? {} : { place }),
      xMm: index * 60,
      yMm: 0,
      stack: [{ kind: 'hardware', item }],
      specs: [{ spec: { kind: 'torque', targetNm: torqueNm }, printed: `${torqueNm} N·m` }],
      drive: { kind: 'hex', acrossFlatsMm: 16 },
      ...when(condition),
    });
  };
  shape.joints.forEach(({ place, torqueNm, when: condition }, index) => {
    joint(index, SHARED_JOINTS[place], torqueNm, condition);
  });
  for (let own = 0; own < shape.own; own += 1) joint(shape.joints.length + own, undefined, 40, 0);
  const group: JointGroup = {
    id: 'g1',
    title: `Joints of ${id}`,
    map: { title: '', note: '', widthMm: 600, heightMm: 100, shapes: [] },
    stations: stations.map((station) => station.id),
  };
  const removed = shape.things.map(
    ({ name, fate }, index): RemovedThing => ({
      id: `r${index}`,
      name: SHARED_THINGS[name] as string,
      count: 1,
      fate: FATES[fate] ?? 'refit',
      ...FASTENERS[SHARED_THINGS[name] as string],
    }),
  );
  const steps: Step[] = [];
  const step = (phase: Phase, action: StepAction) =>
    steps.push({ id: `t${steps.length}`, text: action.type, phase, actions: [action] });
  if (shape.lift) step('strip', { type: 'lift' });
  for (const { id: thing } of removed) step('strip', { type: 'remove', removed: thing });
  step('loose', { type: 'start', group: 'g1' });
  step('torque', { type: 'torque', group: 'g1' });
  const back = removed.filter(
    (thing, index) => shape.things[index]?.refit && thing.fate !== 'scrap' && thing.fate !== 'keep',
  );
  const turned = [
    ...back.slice(shape.shuffle % (back.length + 1)),
    ...back.slice(0, shape.shuffle % (back.length + 1)),
  ];
  for (const { id: thing } of turned) step('refit', { type: 'refit', removed: thing });
  if (shape.lift && shape.shuffle % 2 === 0) step('refit', { type: 'lower' });
  step('prove', { type: 'do', text: 'Road test' });
  return { ...kit, questions: QUESTIONS, items, stations, groups: [group], removed, steps };
}

/** Several kits as one visit, their ids told apart. */
export function visitOf(shapes: readonly AnyKit[]): VisitKit[] {
  const kits: VisitKit[] = [];
  shapes.forEach((shape, index) => {
    const document = kitOf(shape, `k${index}`);
    kits.push({ document, prefix: kitPrefix(kits, document.id) });
  });
  return kits;
}

export const anyVisit: fc.Arbitrary<VisitKit[]> = fc.array(anyKit, { minLength: 1, maxLength: 4 }).map(visitOf);
