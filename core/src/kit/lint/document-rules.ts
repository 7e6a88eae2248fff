import { loadImbalance } from '../../tightening/load-imbalance.ts';
import { mostEvenPattern, tighteningOrder } from '../../tightening/pattern.ts';
import {
  type AnswerAxis,
  combinationCount,
  combinationsFor,
  conditionsOf,
  MOST_COMBINATIONS,
} from '../answer-space.ts';
import { type Answers, type Condition, evaluate, questionsIn } from '../condition.ts';
import type { Item, JointGroup, KitDocument, Station } from '../kit-document.ts';
import type { Step, StepAction } from '../kit-step.ts';
import { type Finding, finding } from './finding.ts';

const applies = (when: Condition | undefined, answers: Answers): boolean => evaluate(when, answers).truth === 'true';
const lineOf = (item: Item): string => `${item.line} ${item.name}`;
const stepName = (step: Step, index: number): string => `Step ${step.number ?? index + 1}: ${step.text.slice(0, 60)}`;

/** Actions that put back, close or tighten again. */
const CLOSING: ReadonlySet<StepAction['type']> = new Set(['refit', 'reconnect', 'retighten']);

/** The first combination that shows a thing, so that one fault is told once. */
function firstWhere<T>(
  combos: readonly Answers[],
  look: (answers: Answers) => T | undefined,
): { answers: Answers; value: T } | undefined {
  for (const answers of combos) {
    const value = look(answers);
    if (value !== undefined) return { answers, value };
  }
  return undefined;
}

/** Only the answers a finding hangs on. */
const only = (answers: Answers, ids: readonly string[]): Answers =>
  Object.fromEntries(Object.entries(answers).filter(([id]) => ids.includes(id)));

/** A station with the group it is tightened in: both decide whether it is there. */
interface Placed {
  station: Station;
  group: JointGroup;
  pieces: number;
}

/** Pieces of a line that stand in stations or are fitted as parts, with these answers. */
const use = (kit: KitDocument, item: Item, places: readonly Placed[], answers: Answers): number => {
  const inStations = places.reduce(
    (sum, { station, group, pieces }) =>
      applies(station.when, answers) && applies(group.when, answers) ? sum + pieces : sum,
    0,
  );
  const fitted =
    item.fittedWith !== undefined &&
    kit.groups.some((group) => group.id === item.fittedWith && applies(group.when, answers));
  return inStations + (item.kind === 'part' && fitted ? item.quantity : 0);
};

/** Where each line stands. */
function placesOf(kit: KitDocument): ReadonlyMap<string, Placed[]> {
  const groupOf = new Map(kit.groups.flatMap((group) => group.stations.map((id) => [id, group] as const)));
  const places = new Map<string, Placed[]>();
  for (const station of kit.stations) {
    const group = groupOf.get(station.id);
    if (!group) continue;
    const pieces = new Map<string, number>();
    for (const piece of station.stack)
      if (piece.kind === 'hardware') pieces.set(piece.item, (pieces.get(piece.item) ?? 0) + 1);
    for (const [item, count] of pieces)
      places.set(item, [...(places.get(item) ?? []), { station, group, pieces: count }]);
  }
  return places;
}

/** Rule 4: lines against stations against spares, in every variant. */
export function counts(kit: KitDocument, axes: readonly AnswerAxis[]): Finding[] {
  const found: Finding[] = [];
  const places = placesOf(kit);
  kit.items.forEach((item, index) => {
    if (item.kind === 'compound') return;
    const path = `items[${index}].quantity`;
    const own = places.get(item.id) ?? [];
    const conditions = [
      item.when,
      ...(item.leftover ?? []).map((rest) => rest.when),
      ...own.flatMap(({ station, group }) => [station.when, group.when]),
      ...kit.groups.filter((group) => group.id === item.fittedWith).map((group) => group.when),
    ];
    const present = combinationsFor(kit, axes, conditions).filter((answers) => applies(item.when, answers));
    const short = firstWhere(present, (answers) => {
      const needed = use(kit, item, own, answers);
      return needed > item.quantity ? needed : undefined;
    });
    if (short)
      found.push(finding('short', path, lineOf(item), { has: item.quantity, needed: short.value }, short.answers));
    const differs = firstWhere(present, (answers) => {
      const stated = item.leftover?.find((entry) => applies(entry.when, answers));
      const left = item.quantity - use(kit, item, own, answers);
      return stated && stated.quantity !== left ? { stated: stated.quantity, left } : undefined;
    });
    if (differs) found.push(finding('leftoverDiffers', path, lineOf(item), differs.value, differs.answers));
    const everUsed =
      present.some((answers) => use(kit, item, own, answers) > 0) ||
      kit.steps.some((step) => step.actions.some((action) => action.type === 'fit' && action.item === item.id));
    if (!everUsed && item.source === 'kit')
      found.push(finding('neverUsed', path, lineOf(item), { has: item.quantity }));
  });
  // Handed parts come in pairs of one name.
  const bySide = (side: 'left' | 'right') => kit.items.filter((item) => item.side === side);
  const plain = (name: string) =>
    name
      .toLowerCase()
      .replace(/\b(left|right|lh|rh|driver'?s?|passenger'?s?)\b/g, '')
      .replace(/\W+/g, ' ')
      .trim();
  for (const left of bySide('left')) {
    const twin = bySide('right').find((right) => plain(right.name) === plain(left.name));
    if (twin?.quantity !== left.quantity)
      found.push(
        finding('sidesUneven', `items[${kit.items.indexOf(left)}].side`, lineOf(left), {
          left: left.quantity,
          right: twin?.quantity ?? 0,
        }),
      );
  }
  for (const right of bySide('right')) {
    if (!bySide('left').some((left) => plain(left.name) === plain(right.name)))
      found.push(
        finding('sidesUneven', `items[${kit.items.indexOf(right)}].side`, lineOf(right), {
          left: 0,
          right: right.quantity,
        }),
      );
  }
  return found;
}

/** Rule 5: what came off against what goes back, what was opened against what is closed. */
export function reversals(kit: KitDocument, axes: readonly AnswerAxis[]): Finding[] {
  const found: Finding[] = [];
  /** The answers that decide about a thing and the steps that speak of it. */
  const combosOf = (thing: { id: string; when?: Condition }): Answers[] => {
    const speaking = kit.steps.filter((step) =>
      step.actions.some((action) => Object.values(action).includes(thing.id)),
    );
    return combinationsFor(kit, axes, [thing.when, ...speaking.map((step) => step.when)]);
  };
  const actionsWith = (answers: Answers) =>
    kit.steps.filter((step) => applies(step.when, answers)).flatMap((step) => step.actions);
  const has = (actions: readonly StepAction[], type: StepAction['type'], field: string, id: string) =>
    actions.filter((action) => action.type === type && (action as unknown as Record<string, unknown>)[field] === id);
  // A sheet that puts nothing back leaves the reverse to be written from the strip; one that puts some back forgot the rest.
  const writesRefit = kit.steps.some(({ actions }) => actions.some(({ type }) => CLOSING.has(type)));
  kit.removed.forEach((thing, index) => {
    const hit = firstWhere(combosOf(thing), (answers) => {
      if (!applies(thing.when, answers)) return undefined;
      const actions = actionsWith(answers);
      if (has(actions, 'remove', 'removed', thing.id).length === 0) return undefined;
      const back = has(actions, 'refit', 'removed', thing.id).reduce(
        (sum, action) => sum + (action.type === 'refit' ? (action.count ?? thing.count) : 0),
        0,
      );
      const owed = thing.fate === 'refit' || thing.fate === 'transfer' ? thing.count : 0;
      return back === owed || (!writesRefit && back === 0) ? undefined : { back, owed };
    });
    if (hit)
      found.push(
        finding(
          hit.value.back < hit.value.owed ? 'notRefitted' : 'refittedTooOften',
          `removed[${index}]`,
          thing.name,
          { ...hit.value, fate: thing.fate },
          hit.answers,
        ),
      );
  });
  kit.disconnects.forEach((thing, index) => {
    const hit = firstWhere(combosOf(thing), (answers) => {
      const actions = actionsWith(answers);
      const [open, closed] = [
        has(actions, 'disconnect', 'disconnect', thing.id).length,
        has(actions, 'reconnect', 'disconnect', thing.id).length,
      ];
      return open > closed && writesRefit ? { open, closed } : undefined;
    });
    if (hit) found.push(finding('notReconnected', `disconnects[${index}]`, thing.name, hit.value, hit.answers));
  });
  kit.neighbours.forEach((thing, index) => {
    const hit = firstWhere(combosOf(thing), (answers) => {
      const actions = actionsWith(answers);
      return writesRefit &&
        has(actions, 'loosen', 'neighbour', thing.id).length > has(actions, 'retighten', 'neighbour', thing.id).length
        ? true
        : undefined;
    });
    if (hit) found.push(finding('notRetightened', `neighbours[${index}]`, thing.name, {}, hit.answers));
  });
  if (kit.steps.length > 0)
    kit.temporary.forEach((thing, index) => {
      const cleared = kit.steps.some((step) => has(step.actions, 'clear', 'temporary', thing.id).length > 0);
      if (!cleared) found.push(finding('notCleared', `temporary[${index}]`, thing.name));
    });
  return found;
}

/** An order is told to be worse only where the difference is worth a word (chosen by us). */
const WORTH_SAYING = 0.08;

/** Rule 10: no order where one matters, or one that strays further than another would. */
export function orders(kit: KitDocument): Finding[] {
  return kit.groups.flatMap((group, index): Finding[] => {
    const members = group.stations.flatMap((id) => kit.stations.find((station) => station.id === id) ?? []);
    if (members.length < 3) return [];
    const best = mostEvenPattern(members, (station) => station);
    const imbalance = (order: readonly Station[]) => loadImbalance(order);
    const bestImbalance = Math.round(imbalance(tighteningOrder(members, best, (station) => station)) * 100) / 100;
    if (group.torqueOrder === undefined)
      return [
        finding('noOrder', `groups[${index}].torqueOrder`, group.title, {
          stations: members.length,
          best,
          imbalance: bestImbalance,
        }),
      ];
    const rule = group.torqueOrder;
    const order =
      'list' in rule
        ? rule.list.flatMap((id) => members.find((station) => station.id === id) ?? [])
        : tighteningOrder(members, rule.pattern, (station) => station);
    const own = Math.round(imbalance(order) * 100) / 100;
    return own - bestImbalance > WORTH_SAYING
      ? [
          finding('betterOrder', `groups[${index}].torqueOrder`, group.title, {
            own,
            best,
            imbalance: bestImbalance,
            printed: 'list' in rule,
          }),
        ]
      : [];
  });
}

/** Rule 11: for every combination of answers exactly one spec per station; every step, group and line sometimes there. */
export function everyVariant(kit: KitDocument, axes: readonly AnswerAxis[]): Finding[] {
  const found: Finding[] = [];
  const groupOf = (station: Station): JointGroup | undefined =>
    kit.groups.find((group) => group.stations.includes(station.id));
  const within = (conditions: ReadonlyArray<Condition | undefined>) => combinationsFor(kit, axes, conditions);
  if (combinationCount(axes) > MOST_COMBINATIONS)
    found.push(
      finding('tooManyCombinations', 'questions', kit.title, {
        count: combinationCount(axes),
        most: MOST_COMBINATIONS,
      }),
    );
  kit.stations.forEach((station, index) => {
    const place = `Station ${station.label}, ${station.name}`;
    const group = groupOf(station);
    const conditions = [station.when, group?.when, ...station.specs.map((spec) => spec.when)];
    const asked = conditions.flatMap(questionsIn);
    if (asked.length === 0) return;
    const there = within(conditions).filter(
      (answers) => applies(station.when, answers) && applies(group?.when, answers),
    );
    const all = within(conditions);
    if (all.length > 0 && there.length === 0) {
      found.push(finding('neverApplies', `stations[${index}].when`, place, { what: 'station' }));
      return;
    }
    const gap = firstWhere(there, (answers) =>
      station.specs.some((spec) => applies(spec.when, answers)) ? undefined : true,
    );
    if (gap) found.push(finding('specGap', `stations[${index}].specs`, place, {}, only(gap.answers, asked)));
    const overlap = firstWhere(there, (answers) => {
      const true_ = station.specs.filter((spec) => applies(spec.when, answers));
      // A last spec without a condition is the sheet's "otherwise".
      const rivals = true_.filter((spec) => spec.when !== undefined);
      return rivals.length > 1 ? rivals.map((spec) => spec.printed) : undefined;
    });
    if (overlap)
      found.push(
        finding(
          'specOverlap',
          `stations[${index}].specs`,
          place,
          { values: overlap.value },
          only(overlap.answers, asked),
        ),
      );
  });
  const lists = [
    ['groups', 'group', kit.groups.map((entry) => ({ ...entry, name: entry.title }))],
    ['steps', 'step', kit.steps.map((entry, index) => ({ ...entry, name: stepName(entry, index) }))],
    ['items', 'line', kit.items.map((entry) => ({ ...entry, name: lineOf(entry) }))],
  ] as const;
  for (const [list, what, entries] of lists) {
    entries.forEach((entry, index) => {
      if (entry.when === undefined) return;
      const all = within([entry.when]);
      if (all.length > 0 && !all.some((answers) => applies(entry.when, answers)))
        found.push(finding('neverApplies', `${list}[${index}].when`, entry.name, { what }));
    });
  }
  const asked = new Set(conditionsOf(kit).flatMap(questionsIn));
  kit.questions.forEach((question, index) => {
    if (!asked.has(question.id)) found.push(finding('questionUnused', `questions[${index}]`, question.text));
  });
  return found;
}

/** Steps in an order that can be worked; those of a circle are left out and returned. */
function workable(kit: KitDocument): { order: Array<{ step: Step; index: number }>; circle: Step[] } {
  const order: Array<{ step: Step; index: number }> = [];
  const done = new Set<string>();
  let rest = kit.steps.map((step, index) => ({ step, index }));
  const known = new Set(kit.steps.map((step) => step.id));
  for (;;) {
    const next = rest.find(({ step, index }) =>
      (step.after ?? (index > 0 ? [kit.steps[index - 1]?.id ?? ''] : [])).every((id) => done.has(id) || !known.has(id)),
    );
    if (!next) return { order, circle: rest.map(({ step }) => step) };
    done.add(next.step.id);
    order.push(next);
    rest = rest.filter((entry) => entry !== next);
  }
}

/** Rules 12 and 16: the order the steps can be worked in. */
export function stepGraph(kit: KitDocument, combos: readonly Answers[]): Finding[] {
  if (kit.steps.length === 0) return [];
  const found: Finding[] = [];
  const { order, circle } = workable(kit);
  for (const step of circle) {
    const index = kit.steps.indexOf(step);
    found.push(finding('stepsInCircle', `steps[${index}].after`, stepName(step, index)));
  }
  // A step that waits for one that is never there with it.
  kit.steps.forEach((step, index) => {
    for (const id of step.after ?? []) {
      const other = kit.steps.find((entry) => entry.id === id);
      const together = combos.some((answers) => applies(step.when, answers) && applies(other?.when, answers));
      const alone = combos.some((answers) => applies(step.when, answers));
      if (other && alone && !together)
        found.push(
          finding('stepUnreachable', `steps[${index}].after`, stepName(step, index), {
            waitsFor: stepName(other, kit.steps.indexOf(other)),
          }),
        );
    }
  });
  const startsAnywhere = new Set(
    kit.steps.flatMap((step) => step.actions.flatMap((action) => (action.type === 'start' ? [action.group] : []))),
  );
  const told = new Set<string>();
  for (const answers of combos) {
    const started = new Set<string>();
    const fitted = new Set<string>();
    let lifted = false;
    for (const { step, index } of order) {
      if (!applies(step.when, answers)) continue;
      step.actions.forEach((action, place) => {
        const path = `steps[${index}].actions[${place}]`;
        const tell = (entry: Finding) => {
          if (!told.has(`${entry.code} ${path}`)) found.push(entry);
          told.add(`${entry.code} ${path}`);
        };
        if (action.type === 'lift') lifted = true;
        if (action.type === 'lower') lifted = false;
        if (action.type === 'start') started.add(action.group);
        if (action.type === 'torque') {
          const group = kit.groups.find((entry) => entry.id === action.group);
          if (startsAnywhere.size > 0 && !started.has(action.group))
            tell(
              finding(
                'torqueBeforeStart',
                path,
                stepName(step, index),
                { group: group?.title ?? action.group },
                answers,
              ),
            );
          const needsLift = step.needs?.includes('lift') === true;
          if (group?.atRideHeight && (lifted || needsLift))
            tell(finding('torquedWhileLifted', path, stepName(step, index), { group: group.title }, answers));
        }
        if (action.type === 'fit') {
          const item = kit.items.find((entry) => entry.id === action.item);
          const under = item?.sitsOn;
          const underFitted = under === undefined || fitted.has(under);
          const underPlanned = kit.steps.some((entry) =>
            entry.actions.some((other) => other.type === 'fit' && other.item === under),
          );
          if (!underFitted && underPlanned)
            tell(
              finding(
                'partBeforeSupport',
                path,
                stepName(step, index),
                {
                  part: item ? lineOf(item) : action.item,
                  under: kit.items.find((entry) => entry.id === under)?.name ?? '',
                },
                answers,
              ),
            );
          fitted.add(action.item);
        }
      });
    }
  }
  const torqued = new Set(
    kit.steps.flatMap((step) => step.actions.flatMap((action) => (action.type === 'torque' ? [action.group] : []))),
  );
  kit.groups.forEach((group, index) => {
    if (torqued.size > 0 && !torqued.has(group.id))
      found.push(finding('groupNotInSteps', `groups[${index}]`, group.title));
  });
  return found;
}

/** Rule 19: what must follow: an alignment, a wheel torque, a re-torque. */
export function followUps(kit: KitDocument): Finding[] {
  const found: Finding[] = [];
  const geometry = kit.stations.filter((station) => station.tags?.includes('changesGeometry'));
  const due = (about: 'alignment' | 'wheels', words: RegExp) =>
    kit.aftercare.some((entry) => entry.about === about || words.test(entry.text));
  if (geometry.length > 0 && !due('alignment', /align|toe|camber/i))
    found.push(finding('noAlignment', 'aftercare', kit.title, { stations: geometry.map((station) => station.label) }));
  const wheelsOff =
    kit.steps.some((step) => step.needs?.includes('wheelsOff')) ||
    kit.removed.some((thing) => /\b(road )?wheels?\b(?! (arch|well|liner))/i.test(thing.name));
  if (wheelsOff) {
    const wheelNuts =
      kit.stations.some((station) => station.tags?.includes('wheel')) ||
      kit.neighbours.some((entry) => /wheel (nut|bolt)/i.test(entry.name) && entry.spec) ||
      kit.removed.some((entry) => /wheel (nut|bolt)/i.test(entry.name) && entry.specs);
    if (!wheelNuts) found.push(finding('noWheelTorque', 'stations', kit.title));
    if (!due('wheels', /wheel|lug/i)) found.push(finding('noWheelRetorque', 'aftercare', kit.title));
  }
  return found;
}
