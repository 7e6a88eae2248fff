import type { PlanStep } from '../kit/plan.ts';
import type { SharedWork } from '../kit/shared-work.ts';
import { legalOrder, type Standing, standings } from './legal-order.ts';
import type { ThingFinder } from './same-thing.ts';
import { type Sharing, sharing, type Touch } from './shared-things.ts';
import { withOpenings } from './step-graph.ts';
import { type Contradiction, untangle } from './untangle.ts';

export interface MergedSteps {
  steps: PlanStep[];
  shared: SharedWork[];
  /** Kits worked after all the others: their own rhythm of opening and closing cannot be shared, or a lead chose so. */
  apart: string[];
  /** Where sheets want shared things closed in contrary order, with the order each kit wants. */
  contrary: Array<Contradiction & { things: Array<{ kit: string; names: string[] }> }>;
}

/**
 * The steps of several kits as one sequence: what they share is opened once, before the first that needs it open, and
 * closed once, after the last; the vehicle goes up and down as seldom as that allows. Every step waits for all it waited
 * for in its own kit, but where two sheets contradict each other: there one of them gives way.
 *
 * @param kits - kit ids, in the order they came into the visit
 * @param steps - of all kits, each kit's in its own order and with its refits, ids already told apart
 * @param thingOf - what the actions touch
 * @param split - keys of things a person said are two, though they are called alike
 * @param worked - kits to be worked after the others, by a lead's choice
 * @param rules - the kit whose order holds where two sheets contradict each other, by a lead's choice
 */
export function mergeSteps(
  kits: readonly string[],
  steps: readonly PlanStep[],
  thingOf: ThingFinder,
  split: ReadonlySet<string> = new Set(),
  worked: readonly string[] = [],
  rules: (contradiction: string) => string | undefined = () => undefined,
): MergedSteps {
  const standing = standings(steps, kits);
  const apart = new Set(worked);
  for (;;) {
    const { touches, restless } = sharing(steps, thingOf, split, apart);
    const [hasty] = kits.filter((kit) => restless.has(kit)).slice(-1);
    if (hasty !== undefined) {
      apart.add(hasty);
      continue;
    }
    const untangled = untangle(steps, touches, kits, apart, rules);
    const opened = withOpenings(untangled.graph, untangled.steps, touches);
    const order = legalOrder(untangled.steps, opened.graph, kits, standing);
    return {
      steps: once(order, { touches, waited: opened.waited, apart, thingOf, standing }),
      shared: sharedWork(touches),
      apart: kits.filter((kit) => apart.has(kit)),
      contrary: untangled.contradictions.map((found) => ({ ...found, things: thingsOf(found, touches) })),
    };
  }
}

/** In what order each kit at odds closes the things; those of one step stand together. */
function thingsOf({ kits, keys }: Contradiction, touches: Sharing['touches']): Array<{ kit: string; names: string[] }> {
  return kits.map((kit) => {
    const closing = keys.flatMap(
      (key) =>
        touches
          .get(key)
          ?.find((touch) => touch.kit === kit && (touch.bearing === 'close' || touch.bearing === 'last')) ?? [],
    );
    const byStep = new Map<number, string[]>();
    for (const { at, name } of closing.sort((a, b) => a.at - b.at)) byStep.set(at, [...(byStep.get(at) ?? []), name]);
    return { kit, names: [...byStep.values()].map((names) => names.join(' with ')) };
  });
}

const sharedWork = (touches: Sharing['touches']): SharedWork[] =>
  [...touches].map(([key, list]) => {
    const [first] = list as [Touch];
    const members = new Map(list.map(({ kit, id }) => [`${kit} ${id}`, { kit, id }]));
    return { key, what: first.what, name: first.name, by: first.by, members: [...members.values()] };
  });

type End = 'front' | 'rear';

const endsOf = (end: 'front' | 'rear' | 'whole' | undefined): ReadonlySet<End> =>
  new Set(end === 'front' || end === 'rear' ? [end] : ['front', 'rear']);

/** Whether lifting or lowering changes how the vehicle stands. */
const moves = (
  action: { type: 'lift' | 'lower'; end?: 'front' | 'rear' | 'whole' },
  raised: ReadonlySet<End>,
): boolean => (action.type === 'lower' ? raised.size > 0 : [...endsOf(action.end)].some((end) => !raised.has(end)));

/** What the order was made with. */
interface Ordered {
  touches: Sharing['touches'];
  /** Shared things whose opening waits for whatever any kit wants before it. */
  waited: ReadonlySet<string>;
  apart: ReadonlySet<string>;
  thingOf: ThingFinder;
  standing: ReadonlyMap<string, Standing>;
}

/** Takes out what is done by another step already or later, and moves the vehicle where two kits leave it otherwise. */
function once(order: readonly PlanStep[], { touches, waited, apart, thingOf, standing }: Ordered): PlanStep[] {
  const place = new Map(order.map((step, index) => [step.id, index]));
  /** For each shared thing: the step that opens it, and the one that closes it. */
  const carrier = new Map<string, string>();
  for (const [key, list] of touches) {
    const inOrder = [...list].sort((a, b) => (place.get(a.step) ?? 0) - (place.get(b.step) ?? 0));
    for (const touch of inOrder) {
      const name = `${key} ${touch.bearing}`;
      const late = touch.bearing === 'close' || touch.bearing === 'last';
      if (late || !carrier.has(name)) carrier.set(name, touch.step);
    }
  }
  const steps: PlanStep[] = [];
  /** Steps that fell away, with the one that does their work. */
  const standsFor = new Map<string, string>();
  const covers = new Map<string, string[]>();
  /** Ends of the vehicle that are off the floor. */
  let raised: ReadonlySet<End> = new Set();
  let mover: string | undefined;
  /** Last steps of each kit since the vehicle was moved: it is not moved again before them. */
  let since = new Map<string, string>();
  const moved = (id: string, ends: ReadonlySet<End>) => {
    raised = ends;
    mover = id;
    since = new Map();
  };
  for (const step of order) {
    const carriers: string[] = [];
    const actions = step.actions.filter((action) => {
      if (action.type === 'lift' || action.type === 'lower') {
        if (mover === undefined || mover === step.id || moves(action, raised)) return true;
        carriers.push(mover);
        return false;
      }
      const thing = apart.has(step.kit) ? undefined : thingOf(step, action);
      const by = thing && touches.has(thing.key) ? carrier.get(`${thing.key} ${thing.bearing}`) : undefined;
      if (by === undefined || by === step.id) return true;
      carriers.push(by);
      return false;
    });
    if (actions.length === 0 && carriers.length > 0) {
      const latest = carriers.reduce((a, b) => ((place.get(b) ?? 0) > (place.get(a) ?? 0) ? b : a));
      standsFor.set(step.id, latest);
      covers.set(latest, [...(covers.get(latest) ?? []), ...step.covers]);
      continue;
    }
    const after = [...step.after];
    const stand = standing.get(step.id) ?? 'either';
    if (stand !== 'either' && (stand === 'raised') !== raised.size > 0) {
      const made = stand === 'raised' ? 'lift' : 'lower';
      const id = `${made}:${step.id}`;
      steps.push({
        id,
        kit: step.kit,
        because: [],
        text: '',
        phase: step.phase,
        actions: [{ type: made }],
        needs: [],
        after: [...since.values()],
        covers: [id],
        made,
      });
      moved(id, stand === 'raised' ? endsOf('whole') : new Set());
    }
    const ends = actions.reduce<ReadonlySet<End> | undefined>((now, action) => {
      if (action.type === 'lower') return new Set();
      return action.type === 'lift' ? new Set([...(now ?? raised), ...endsOf(action.end)]) : now;
    }, undefined);
    if (ends !== undefined) after.push(...since.values());
    else if (stand !== 'either' && mover !== undefined) after.push(mover);
    steps.push({ ...step, actions, after });
    if (ends !== undefined) moved(step.id, ends);
    // What is done on any footing does not hold the vehicle where it is.
    if (stand !== 'either') since.set(step.kit, step.id);
  }
  const before = new Map(order.map((step) => [step.id, step.after]));
  const merging: Merging = {
    before,
    place,
    closings: joinMembers(touches),
    openings: openMembers(touches, waited),
    standsFor,
  };
  return steps.map((step) => ({
    ...step,
    after: afterOf(step, merging),
    covers: [...new Set([...step.covers, ...(covers.get(step.id) ?? [])])],
  }));
}

/** For each step that closes a shared thing: all steps that close it. */
function joinMembers(touches: Sharing['touches']): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const list of touches.values()) {
    const closing = list.filter(({ bearing }) => bearing === 'close' || bearing === 'last').map(({ step }) => step);
    if (closing.length < 2) continue;
    for (const step of closing) found.set(step, [...(found.get(step) ?? []), ...closing]);
  }
  return found;
}

/** For each step that opens a shared thing for all and waits for all: the steps that would open it. */
function openMembers(touches: Sharing['touches'], waited: ReadonlySet<string>): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const [key, list] of touches) {
    if (!waited.has(key)) continue;
    const opening = list.filter(({ bearing }) => bearing === 'open' || bearing === 'once').map(({ step }) => step);
    for (const step of opening) found.set(step, [...(found.get(step) ?? []), ...opening]);
  }
  return found;
}

/** What a step waits for, by the steps that are left. */
function afterOf(step: PlanStep, merging: Merging): string[] {
  const { before, place, closings, openings, standsFor } = merging;
  const final = (id: string): string => standsFor.get(id) ?? id;
  const ids = new Set<string>();
  const seen = new Set<string>();
  const add = (id: string) => {
    if (seen.has(id)) return;
    seen.add(id);
    ids.add(final(id));
    // What a fallen step waited for is waited for still.
    if (standsFor.has(id)) for (const earlier of before.get(id) ?? []) add(earlier);
  };
  for (const id of step.after) {
    add(id);
    for (const other of closings.get(id) ?? []) add(other);
  }
  // The one that closes for all waits for what the others' closings waited for.
  const here = place.get(step.id) ?? 0;
  for (const other of closings.get(step.id) ?? []) if ((place.get(other) ?? 0) < here) add(other);
  for (const other of openings.get(step.id) ?? []) for (const earlier of before.get(other) ?? []) add(earlier);
  ids.delete(step.id);
  return [...ids];
}

/** What {@link afterOf} looks things up in. */
interface Merging {
  before: ReadonlyMap<string, readonly string[]>;
  place: ReadonlyMap<string, number>;
  closings: ReadonlyMap<string, string[]>;
  openings: ReadonlyMap<string, string[]>;
  standsFor: ReadonlyMap<string, string>;
}
