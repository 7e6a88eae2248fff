import type { Condition } from '#core/kit/condition.ts';
import type { KitDocument, Station } from '#core/kit/kit-document.ts';
import type { RemovedThing, Step } from '#core/kit/kit-step.ts';
import { resolveVisit } from '#core/visit/resolve-visit.ts';
import { kitPrefix, type VisitKit } from '#core/visit/visit.ts';
import { largeKit } from './large-job.ts';
import { milliseconds } from './milliseconds.ts';

/** Stations of one joint group: a large plate of this trade. */
const GROUP = 10;

/** A kit of `stations` stations in groups of ten and 150 steps: a third strips, a third fits, a third tightens. */
function visitKit(stations: number, questions: number, id: string): KitDocument {
  const kit = largeKit(stations);
  const [plate] = kit.groups;
  if (!plate) throw new Error('no group');
  const asked = (index: number): { when?: Condition } =>
    index < questions * 4 ? { when: { question: `q${index % questions}`, is: true } } : {};
  const groups = Array.from({ length: Math.ceil(stations / GROUP) }, (_, index) => ({
    ...plate,
    id: `g${index}`,
    stations: plate.stations.slice(index * GROUP, (index + 1) * GROUP),
  }));
  const removed = Array.from(
    { length: 50 },
    // Ten of them are things every kit takes off.
    (_, index): RemovedThing => ({
      id: `r${index}`,
      name: index < 10 ? `shared thing ${index}` : `${id} thing ${index}`,
      count: 2,
      fate: 'refit',
    }),
  );
  const steps = Array.from({ length: 150 }, (_, index): Step => {
    const base = { id: `t${index}`, text: 'Do it', minutes: 2, ...(index % 3 === 2 ? asked(index) : {}) };
    if (index < 50) return { ...base, phase: 'strip', actions: [{ type: 'remove', removed: `r${index}` }] };
    const group = groups[index % groups.length]?.id ?? '';
    return index < 100
      ? { ...base, phase: 'loose', actions: [{ type: 'start', group }] }
      : { ...base, phase: 'torque', actions: [{ type: 'torque', group }] };
  });
  return {
    ...kit,
    id,
    groups,
    removed,
    steps,
    questions: Array.from({ length: questions }, (_, index) => ({
      id: `q${index}`,
      text: `Question ${index}?`,
      kind: 'yesNo' as const,
    })),
    stations: kit.stations.map((station, index): Station => ({ ...station, ...asked(index) })),
    items: kit.items.map((item) => (item.fittedWith ? { ...item, fittedWith: 'g0' } : item)),
    cautions: kit.cautions.map(({ group: _, ...caution }) => caution),
  };
}

/** A visit of `count` such kits, everything answered. */
export function largeVisit(count: number, stations: number, questions: number) {
  const kits: VisitKit[] = [];
  for (let index = 0; index < count; index += 1) {
    const document = visitKit(stations, questions, `kit-${index}`);
    kits.push({ document, prefix: kitPrefix(kits, document.id) });
  }
  const answers = Object.fromEntries(
    kits.flatMap(({ prefix, document }) => document.questions.map(({ id }) => [prefix + id, true])),
  );
  return { kits, answers };
}

/** One resolution of it, ms. */
export function measureVisit(count: number, stations: number, questions: number): number {
  const { kits, answers } = largeVisit(count, stations, questions);
  return milliseconds(() => {
    const resolved = resolveVisit(kits, {}, answers);
    if (!resolved.ok) throw new Error(resolved.error.code);
  });
}
