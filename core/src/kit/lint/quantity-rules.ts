import { type AnswerAxis, combinationsFor } from '../answer-space.ts';
import type { Answers, Condition } from '../condition.ts';
import type { Item, JointGroup, KitDocument, Station } from '../kit-document.ts';
import { goesOnAsPart } from '../piece-kind.ts';
import type { StepAction } from '../step-action.ts';
import { applies, firstWhere, lineOf } from './combination.ts';
import { type Finding, finding } from './finding.ts';

/** Actions that put back, close or tighten again. */
const CLOSING: ReadonlySet<StepAction['type']> = new Set(['refit', 'reconnect', 'retighten']);

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
  return inStations + (goesOnAsPart(item) && fitted ? item.quantity : 0);
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
      // Moved over to the new part is back, all of it.
      const moved = has(actions, 'moveOver', 'removed', thing.id).length > 0;
      const back = moved
        ? thing.count
        : has(actions, 'refit', 'removed', thing.id).reduce(
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
      return open > closed && writesRefit && !thing.retires ? { open, closed } : undefined;
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
