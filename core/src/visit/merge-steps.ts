import type { Phase } from '../kit/kit-step.ts';
import type { PlanAction, PlanStep } from '../kit/plan.ts';
import type { SharedWork } from '../kit/shared-work.ts';
import type { ThingFinder, ThingTouched } from './same-thing.ts';

const PHASES: readonly Phase[] = ['prepare', 'strip', 'fitLoose', 'align', 'torque', 'cure', 'closeOut'];

/** One action of one step that touches a thing several kits touch. */
interface Touch extends ThingTouched {
  kit: string;
  step: string;
  action: PlanAction;
}

const BEARINGS = ['open', 'close', 'once', 'last'] as const;

interface Sharing {
  /** Touches of things that are shared, by key. */
  touches: ReadonlyMap<string, Touch[]>;
  /** Kits that open or close a shared thing more than once: their own rhythm cannot be shared. */
  restless: ReadonlySet<string>;
}

/** What the kits share: things that at least two of them touch, each opening and closing them once. */
function sharing(
  steps: readonly PlanStep[],
  thingOf: ThingFinder,
  split: ReadonlySet<string>,
  apart: ReadonlySet<string>,
): Sharing {
  const found = new Map<string, Touch[]>();
  for (const step of steps) {
    if (apart.has(step.kit)) continue;
    for (const action of step.actions) {
      const thing = thingOf(step, action);
      if (!thing || split.has(thing.key)) continue;
      const list = found.get(thing.key) ?? [];
      list.push({ ...thing, kit: step.kit, step: step.id, action });
      found.set(thing.key, list);
    }
  }
  const touches = new Map<string, Touch[]>();
  const restless = new Set<string>();
  for (const [key, list] of found) {
    const kits = new Set(list.map(({ kit }) => kit));
    if (kits.size < 2) continue;
    const twice = [...kits].filter((kit) =>
      BEARINGS.some((bearing) => list.filter((touch) => touch.kit === kit && touch.bearing === bearing).length > 1),
    );
    const opens = list.some(({ bearing }) => bearing === 'open');
    // What one kit looks at twice is left to each kit; what it opens twice cannot be held open for another.
    if (twice.length > 0 && !opens) continue;
    touches.set(key, list);
    for (const kit of twice) restless.add(kit);
  }
  return { touches, restless };
}

/** What each node waits for. Nodes are steps, and one joint closing for each shared thing that several kits close. */
type Graph = ReadonlyMap<string, ReadonlySet<string>>;

const JOIN = 'join ';
const OPEN = 'open ';

/**
 * What each step waits for. A thing closed for all is closed when every kit is ready to close it, and what comes after
 * the closing in any kit comes after it in all.
 */
function graphOf(
  steps: readonly PlanStep[],
  shared: Sharing['touches'],
  kits: readonly string[],
  apart: ReadonlySet<string>,
): Graph {
  const before = new Map(steps.map((step) => [step.id, new Set(step.after)]));
  const joinsOf = new Map<string, string[]>();
  for (const [key, touches] of shared) {
    const closing = touches.filter(({ bearing }) => bearing === 'close' || bearing === 'last');
    if (closing.length < 2) continue;
    before.set(JOIN + key, new Set(closing.map(({ step }) => step)));
    for (const { step } of closing) joinsOf.set(step, [...(joinsOf.get(step) ?? []), JOIN + key]);
  }
  if (joinsOf.size > 0)
    for (const step of steps)
      for (const earlier of step.after) for (const join of joinsOf.get(earlier) ?? []) before.get(step.id)?.add(join);
  // Kits that are worked apart follow one after another behind all the rest.
  let wait = steps.filter((step) => !apart.has(step.kit)).map((step) => step.id);
  for (const kit of kits) {
    if (!apart.has(kit)) continue;
    const own = steps.filter((step) => step.kit === kit);
    for (const step of own) if (step.after.length === 0) for (const id of wait) before.get(step.id)?.add(id);
    if (own.length > 0) wait = own.map((step) => step.id);
  }
  return before;
}

type Standing = 'raised' | 'lowered' | 'either';

/**
 * The graph with shared openings waiting for whatever any kit wants done before, where the sheets' orders allow it: the
 * wheels come off only once the vehicle is up, even if one sheet does not say so. Sheets that take things off in contrary
 * order are each right by themselves, and the first in order does it.
 *
 * @returns the graph, and the keys whose opening waits for all
 */
function withOpenings(
  graph: Graph,
  steps: readonly PlanStep[],
  shared: Sharing['touches'],
): { graph: Graph; waited: ReadonlySet<string> } {
  const after = new Map(steps.map((step) => [step.id, step.after]));
  const openings = [...shared].flatMap(([key, touches]) => {
    const opening = touches.filter(({ bearing }) => bearing === 'open' || bearing === 'once').map(({ step }) => step);
    return opening.length < 2 ? [] : [{ key, opening }];
  });
  const joined = (to: Graph, some: typeof openings): Graph => {
    const tried = new Map(to);
    for (const { key, opening } of some) {
      tried.set(OPEN + key, new Set(opening.flatMap((step) => after.get(step) ?? [])));
      for (const step of opening) tried.set(step, new Set([...(tried.get(step) ?? []), OPEN + key]));
    }
    return tried;
  };
  const all = joined(graph, openings);
  if (isAcyclic(all)) return { graph: all, waited: new Set(openings.map(({ key }) => key)) };
  if (!isAcyclic(graph)) return { graph, waited: new Set() };
  // Not all at once: one by one, those that fit.
  return openings.reduce<{ graph: Graph; waited: ReadonlySet<string> }>(
    (so, opening) => {
      const tried = joined(so.graph, [opening]);
      return isAcyclic(tried) ? { graph: tried, waited: new Set([...so.waited, opening.key]) } : so;
    },
    { graph, waited: new Set() },
  );
}

/** How many nodes each node waits for, and who waits for it. */
function counted(graph: Graph): { waiting: Map<string, number>; followers: Map<string, string[]> } {
  const waiting = new Map<string, number>();
  const followers = new Map<string, string[]>();
  for (const [id, earlier] of graph) {
    let count = 0;
    for (const one of earlier) {
      if (!graph.has(one)) continue;
      count += 1;
      const list = followers.get(one);
      if (list) list.push(id);
      else followers.set(one, [id]);
    }
    waiting.set(id, count);
  }
  return { waiting, followers };
}

function isAcyclic(graph: Graph): boolean {
  const { waiting, followers } = counted(graph);
  const ready = [...waiting].flatMap(([id, left]) => (left === 0 ? [id] : []));
  let done = 0;
  for (let id = ready.pop(); id !== undefined; id = ready.pop()) {
    done += 1;
    for (const next of followers.get(id) ?? []) {
      const left = (waiting.get(next) ?? 0) - 1;
      waiting.set(next, left);
      if (left === 0) ready.push(next);
    }
  }
  return done === graph.size;
}

/** How the vehicle must stand for each step: by its own needs, else as its kit last put it. */
function standings(steps: readonly PlanStep[], kits: readonly string[]): Map<string, Standing> {
  const found = new Map<string, Standing>();
  for (const kit of kits) {
    let own: Standing = 'either';
    for (const step of steps) {
      if (step.kit !== kit) continue;
      const needsUp = step.needs.includes('lift') || step.needs.includes('stands') || step.needs.includes('wheelsOff');
      found.set(step.id, step.needs.includes('rideHeight') ? 'lowered' : needsUp ? 'raised' : own);
      for (const action of step.actions) {
        if (action.type === 'lift') own = 'raised';
        if (action.type === 'lower') own = 'lowered';
      }
      // A step that lifts is itself done on whatever the vehicle stands on.
      if (step.actions.some((action) => action.type === 'lift' || action.type === 'lower'))
        found.set(step.id, 'either');
    }
  }
  return found;
}

/** What a step leaves the vehicle standing on; undefined when it does not move it. */
const movesTo = (step: PlanStep): 'raised' | 'lowered' | undefined => {
  const move = step.actions.findLast((action) => action.type === 'lift' || action.type === 'lower');
  return move && (move.type === 'lift' ? 'raised' : 'lowered');
};

/**
 * A legal order that keeps phases together, moves the vehicle seldom, and else follows the kits in turn.
 * @returns undefined when the steps wait for each other in a circle
 */
function legalOrder(
  steps: readonly PlanStep[],
  before: Graph,
  kits: readonly string[],
  standing: ReadonlyMap<string, Standing>,
): { order: PlanStep[] } | { stuck: string[] } {
  const byId = new Map(steps.map((step, index) => [step.id, { step, index }]));
  const kitPlace = new Map(kits.map((kit, index) => [kit, index]));
  const { waiting, followers } = counted(before);
  let now: Standing = 'lowered';
  /** Kits between their own lift and their own lower: they are not put down for another while they have work. */
  const up = new Set<string>();
  const order: PlanStep[] = [];
  const ready: string[] = [];
  const free = (id: string) => {
    if (byId.has(id)) ready.push(id);
    // A joint closing takes no time of its own.
    else for (const next of followers.get(id) ?? []) release(next);
  };
  const release = (id: string) => {
    const left = (waiting.get(id) ?? 0) - 1;
    waiting.set(id, left);
    if (left === 0) free(id);
  };
  for (const [id, left] of [...waiting]) if (left === 0) free(id);
  const cost = (id: string): number[] => {
    const { step, index } = byId.get(id) as { step: PlanStep; index: number };
    const stand = standing.get(id) ?? 'either';
    const move = movesTo(step);
    const moves = (stand !== 'either' && stand !== now) || (move !== undefined && move !== now);
    const lowers = now === 'raised' && (stand === 'lowered' || move === 'lowered');
    const interrupts = lowers && (up.size > 1 || (up.size === 1 && !up.has(step.kit)));
    return [interrupts ? 1 : 0, PHASES.indexOf(step.phase), moves ? 1 : 0, kitPlace.get(step.kit) ?? 0, index];
  };
  while (ready.length > 0) {
    let best = 0;
    let bestCost = cost(ready[0] as string);
    for (let place = 1; place < ready.length; place += 1) {
      const other = cost(ready[place] as string);
      const differs = other.findIndex((value, at) => value !== bestCost[at]);
      if (differs >= 0 && (other[differs] as number) < (bestCost[differs] as number)) {
        best = place;
        bestCost = other;
      }
    }
    const [id] = ready.splice(best, 1) as [string];
    const { step } = byId.get(id) as { step: PlanStep };
    order.push(step);
    const stand = standing.get(id) ?? 'either';
    if (stand !== 'either') now = stand;
    const move = movesTo(step);
    now = move ?? now;
    if (move === 'raised') up.add(step.kit);
    if (move === 'lowered') up.delete(step.kit);
    for (const next of followers.get(id) ?? []) release(next);
  }
  if (order.length === steps.length) return { order };
  const placed = new Set(order.map((step) => step.id));
  return { stuck: steps.filter((step) => !placed.has(step.id)).map((step) => step.kit) };
}

export interface MergedSteps {
  steps: PlanStep[];
  shared: SharedWork[];
  /** Kits worked after all the others, because they want things open and closed in another order. */
  apart: string[];
}

/**
 * The steps of several kits as one sequence: what they share is opened once, before the first that needs it open, and
 * closed once, after the last; the vehicle goes up and down as seldom as that allows. Every step waits for all it waited
 * for in its own kit.
 *
 * @param kits - kit ids, in the order they came into the visit
 * @param steps - of all kits, each kit's in its own order and with its refits, ids already told apart
 * @param thingOf - what the actions touch
 * @param split - keys of things a person said are two, though they are called alike
 * @param worked - kits to be worked after the others, by a lead's choice
 */
export function mergeSteps(
  kits: readonly string[],
  steps: readonly PlanStep[],
  thingOf: ThingFinder,
  split: ReadonlySet<string> = new Set(),
  worked: readonly string[] = [],
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
    const graph = graphOf(steps, touches, kits, apart);
    const opened = withOpenings(graph, steps, touches);
    const result = legalOrder(steps, opened.graph, kits, standing);
    if ('order' in result) {
      const merged = once(result.order, { touches, waited: opened.waited, apart, thingOf, standing });
      return { steps: merged, shared: sharedWork(touches), apart: kits.filter((kit) => apart.has(kit)) };
    }
    // Contrary orders: the last of the kits caught in the circle is worked by itself.
    const caught = kits.filter((kit) => result.stuck.includes(kit) && !apart.has(kit)).at(-1);
    if (caught === undefined) throw new Error('Steps of a kit wait for each other in a circle');
    apart.add(caught);
  }
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
