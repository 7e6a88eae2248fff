import { touches } from './battery-off.ts';
import type { HouseRules } from './house-rules.ts';
import type { Bound, Temporary } from './kit-preparation.ts';
import { PHASES, type Phase } from './phase.ts';
import type { Plan, PlanAction, PlanGroup, PlanStep } from './plan.ts';
import { checkRead, JOINT_ACTIONS, type JointAction } from './step-action.ts';

/** What a kit lists, of which every entry has to stand on the line. */
export type Listed = Pick<
  Plan,
  | 'groups'
  | 'prerequisites'
  | 'choices'
  | 'baselines'
  | 'irreversible'
  | 'removed'
  | 'disconnects'
  | 'neighbours'
  | 'temporary'
  | 'checks'
> & {
  /** What of them is needed hangs on the steps, and is worked out after. */
  items: ReadonlyArray<Omit<Plan['items'][number], 'needed' | 'expectedSpare' | 'putOn'>>;
};

/** A list of steps that steps are put into; what waited for its neighbour waits for the new one too. */
class StepList {
  constructor(
    readonly steps: PlanStep[],
    private readonly kit: string,
    private readonly prefix: string,
  ) {}

  private make(name: string, phase: Phase, actions: PlanAction[], after: string[]): PlanStep {
    const id = `${this.prefix}line.${name}`;
    return { id, kit: this.kit, because: [], text: '', phase, actions, needs: [], after, covers: [id], made: 'line' };
  }

  insert(at: number, name: string, phase: Phase, actions: PlanAction[]): void {
    if (actions.length === 0) return;
    const next = this.steps[at];
    const previous = this.steps[at - 1];
    const made = this.make(name, phase, actions, previous ? [previous.id] : []);
    this.steps.splice(at, 0, made);
    if (next) this.steps[at + 1] = { ...next, after: [...next.after.filter((id) => id !== previous?.id), made.id] };
    // Whoever starts the work waits for what stands before it.
    if (at === 0)
      for (let place = 2; place < this.steps.length; place += 1) {
        const step = this.steps[place] as PlanStep;
        if (step.after.length === 0) this.steps[place] = { ...step, after: [made.id] };
      }
  }

  /** Puts actions into a step, before one of its own. */
  into(index: number, at: number, actions: readonly PlanAction[]): void {
    const step = this.steps[index];
    if (!step || actions.length === 0) return;
    this.steps[index] = { ...step, actions: [...step.actions.slice(0, at), ...actions, ...step.actions.slice(at)] };
  }

  /** Behind the last step of these phases, or of earlier ones. */
  behind(phase: Phase): number {
    const limit = PHASES.indexOf(phase);
    return this.steps.findLastIndex((step) => PHASES.indexOf(step.phase) <= limit) + 1;
  }

  find(matches: (action: PlanAction) => boolean): { index: number; at: number } | undefined {
    for (const [index, step] of this.steps.entries()) {
      const at = step.actions.findIndex(matches);
      if (at >= 0) return { index, at };
    }
    return undefined;
  }

  has(matches: (action: PlanAction) => boolean): boolean {
    return this.find(matches) !== undefined;
  }
}

const isJoint =
  (group: string, ...types: JointAction[]) =>
  (action: PlanAction): boolean =>
    'group' in action && action.group === group && (types as readonly string[]).includes(action.type);

/** Groups in an order in which those waited for come first; the kit's order where nothing waits. */
export function inTurn(groups: readonly PlanGroup[]): PlanGroup[] {
  const left = [...groups];
  const placed = new Set<string>();
  const ids = new Set(groups.map(({ id }) => id));
  const order: PlanGroup[] = [];
  while (left.length > 0) {
    const ready = left.findIndex(({ after }) => after.every(({ group }) => placed.has(group) || !ids.has(group)));
    // A circle is a fault of the kit and reported as one; here it must only not hang.
    const [group] = left.splice(Math.max(0, ready), 1) as [PlanGroup];
    placed.add(group.id);
    order.push(group);
  }
  return order;
}

/** Joint groups: what the sheet's steps leave out of start, snug and torque is put where it belongs. */
function withJoints(list: StepList, { groups, items, checks }: Listed): void {
  for (const group of inTurn(groups)) {
    const named = (action: JointAction): PlanAction => ({ type: action, group: group.id });
    const waits = (holds: 'start' | 'snug' | 'torque'): number =>
      group.after
        .filter((entry) => entry.holds === holds)
        .reduce((last, entry) => {
          const done = list.steps.findLastIndex(({ actions }) =>
            actions.some(isJoint(entry.group, 'torque', 'verify')),
          );
          return Math.max(last, done + 1);
        }, 0);
    if (!list.has(isJoint(group.id, 'torque'))) {
      // A pass that only looks again is no torque; what is snugged only is torqued right there.
      const verify = list.find(isJoint(group.id, 'verify'));
      const own = list.steps.findLastIndex(({ actions }) => actions.some(isJoint(group.id, 'start', 'snug')));
      const gating = checks.filter(({ gates }) => gates?.includes(group.id)).map(({ id }) => id);
      const checked = list.steps.findLastIndex(({ actions }) =>
        actions.some((action) => gating.includes(checkRead(action) ?? '')),
      );
      const place = Math.max(
        list.behind('torque'),
        own + 1,
        checked + 1,
        waits('torque'),
        waits('snug'),
        waits('start'),
      );
      if (verify) list.into(verify.index, verify.at, [named('torque')]);
      else list.insert(place, `torque.${group.id.split('/').at(-1)}`, 'torque', [named('torque')]);
    }
    // What was tightened at a visit before is in its place.
    if (group.recheck) continue;
    const torque = list.find(isJoint(group.id, 'torque')) as { index: number; at: number };
    if (!list.has(isJoint(group.id, 'snug'))) list.into(torque.index, torque.at, [named('snug')]);
    if (!list.has(isJoint(group.id, 'start'))) {
      const tightened = list.find(isJoint(group.id, 'snug', 'torque')) as { index: number };
      // Before the first snug of those it stays loose with.
      const together = groups.flatMap((other) =>
        other.looseWith.includes(group.id) ? (list.find(isJoint(other.id, 'snug', 'torque'))?.index ?? []) : [],
      );
      const place = Math.min(tightened.index, ...together, Math.max(list.behind('loose'), waits('start')));
      list.insert(place, `start.${group.id.split('/').at(-1)}`, 'loose', [named('start')]);
    }
    const start = list.find(isJoint(group.id, 'start')) as { index: number; at: number };
    const parts = items.filter(
      (item) =>
        item.fittedWith === group.id &&
        (item.mark !== undefined ||
          item.treatment !== undefined ||
          item.facing !== undefined ||
          item.insert !== undefined ||
          item.serial) &&
        !list.has((action) => action.type === 'fit' && action.item === item.id),
    );
    list.into(
      start.index,
      start.at,
      parts.map((item) => ({ type: 'fit', item: item.id })),
    );
  }
}

/** Where on the list a bound is reached; at the end where it is the close. */
function placeOf(list: StepList, bound: Bound): number {
  if ('step' in bound) {
    const at = list.steps.findIndex(({ id }) => id === bound.step);
    return at < 0 ? list.steps.length : at;
  }
  if ('group' in bound) return list.find(isJoint(bound.group, 'torque'))?.index ?? list.steps.length;
  if ('phase' in bound) {
    const limit = PHASES.indexOf(bound.phase);
    const at = list.steps.findIndex(({ phase }) => PHASES.indexOf(phase) >= limit);
    return at < 0 ? list.steps.length : at;
  }
  return list.steps.length;
}

/** Temporary things the steps do not put on or take off. */
function withTemporary(list: StepList, temporary: ReadonlyArray<Pick<Temporary, 'id' | 'goneBefore'>>): void {
  const onBy = (id: string) => (action: PlanAction) =>
    (action.type === 'putOn' || action.type === 'refitForNow') && action.temporary === id;
  const offBy = (id: string) => (action: PlanAction) => action.type === 'clear' && action.temporary === id;
  const notOn = temporary.filter(({ id }) => !list.has(onBy(id)));
  // Not later than it comes off again.
  const offs = notOn.flatMap(({ id }) => list.find(offBy(id))?.index ?? []);
  list.insert(
    Math.min(list.behind('strip'), ...offs),
    'put-on',
    'strip',
    notOn.map(({ id }) => ({ type: 'putOn', temporary: id })),
  );
  for (const { id, goneBefore } of temporary)
    if (!list.has(offBy(id))) {
      const on = list.find(onBy(id))?.index ?? 0;
      const at = Math.max(on + 1, placeOf(list, goneBefore));
      list.insert(at, `clear.${id.split('/').at(-1)}`, 'refit', [{ type: 'clear', temporary: id }]);
    }
}

/** What comes off, is opened or loosened, and no step says so: before the first step that puts it back. */
function withOpenings(list: StepList, { removed, disconnects, neighbours }: Listed): void {
  const opens = new Set<PlanAction['type']>(['remove', 'swingAside', 'disconnect', 'loosen']);
  const names = (action: PlanAction, field: string, id: string): boolean =>
    (action as unknown as Record<string, unknown>)[field] === id;
  const missing = (
    entries: ReadonlyArray<{ id: string }>,
    field: 'removed' | 'disconnect' | 'neighbour',
    make: (id: string) => PlanAction,
  ) =>
    entries
      .filter(({ id }) => !list.has((action) => opens.has(action.type) && names(action, field, id)))
      .map(({ id }) => ({ action: make(id), used: list.find((action) => names(action, field, id))?.index }));
  const opening = [
    ...missing(disconnects, 'disconnect', (id) => ({ type: 'disconnect', disconnect: id })),
    ...missing(removed, 'removed', (id) => ({ type: 'remove', removed: id })),
    ...missing(neighbours, 'neighbour', (id) => ({ type: 'loosen', neighbour: id })),
  ];
  const at = Math.min(list.behind('prepare'), ...opening.flatMap(({ used }) => used ?? []));
  list.insert(
    at,
    'take-off',
    'strip',
    opening.map(({ action }) => action),
  );
}

/** The battery: off before the first of what is live is opened, on when all that goes back is back. */
function withBatteryOff(list: StepList, { id, before }: { id: string; before: ReadonlySet<string> }): void {
  const opened = list.find(touches(before, 'disconnect', 'remove', 'swingAside'));
  list.insert(opened?.index ?? list.behind('prepare'), 'battery-off', 'strip', [
    { type: 'disconnect', disconnect: id },
  ]);
  const closes = touches(before, 'reconnect', 'refit', 'swingBack');
  const closed = list.steps.findLastIndex(({ actions }) => actions.some(closes));
  list.insert(Math.max(list.behind('refit'), closed + 1), 'battery-on', 'refit', [
    { type: 'reconnect', disconnect: id },
  ]);
}

/** A sheet that measures the same thing twice means before and after. */
function measuredTwice(steps: readonly PlanStep[]): PlanStep[] {
  const before = new Set<string>();
  return steps.map((step) => {
    if (!step.actions.some(({ type }) => type === 'measure')) return step;
    const actions = step.actions.map((action): PlanAction => {
      if (action.type !== 'measure') return action;
      if (before.has(action.baseline)) return { ...action, type: 'measureAgain' };
      before.add(action.baseline);
      return action;
    });
    return { ...step, actions };
  });
}

/**
 * A kit's steps with a place for everything the kit lists: what must hold, what is to be chosen and measured first, what
 * comes off, every joint's start, snug and torque, what is put on for the work, every check. What the sheet's own steps
 * say is left as they say it.
 *
 * @param steps - of one kit that apply, in its order, each with what it waits for
 * @param prefix - what the kit's ids carry in this visit
 * @param proof - whether what was measured before is measured again
 * @param battery - the shop's own word: off before the first of these is opened, on again when the last is closed
 * @param tests - the shop's own word: what is tried out when all else is done
 */
export function completeSteps(
  steps: readonly PlanStep[],
  listed: Listed,
  {
    kit,
    prefix,
    proof,
    battery,
    tests = [],
  }: {
    kit: string;
    prefix: string;
    proof: HouseRules['proof'];
    battery?: { id: string; before: ReadonlySet<string> };
    tests?: ReadonlyArray<Extract<PlanAction, { check: string }>>;
  },
): PlanStep[] {
  const list = new StepList(proof === 'measured' ? measuredTwice(steps) : [...steps], kit, prefix);
  withJoints(list, listed);
  withOpenings(list, listed);
  withTemporary(list, listed.temporary);
  if (battery) withBatteryOff(list, battery);
  list.insert(
    list.steps.length,
    'settle',
    'prove',
    listed.removed
      .filter(({ fate }) => fate === 'keep' || fate === 'scrap')
      .map(({ id }) => ({ type: 'settle', removed: id })),
  );
  const unseen = listed.checks.filter(({ id }) => !list.has((action) => checkRead(action) === id));
  for (const { id, gates = [] } of unseen) {
    const gated = gates.flatMap((group) => list.find(isJoint(group, 'torque'))?.index ?? []);
    const at = gated.length > 0 ? Math.min(...gated) : list.steps.length;
    list.insert(at, `check.${id.split('/').at(-1)}`, gated.length > 0 ? 'align' : 'prove', [
      { type: 'check', check: id },
    ]);
  }
  for (const action of tests)
    list.insert(list.steps.length, action.check.split('/').at(-1) ?? action.check, 'prove', [action]);
  const unasked = <T extends { id: string }>(
    entries: readonly T[],
    matches: (action: PlanAction, id: string) => boolean,
  ) => entries.filter(({ id }) => !list.has((action) => matches(action, id)));
  const irreversible = unasked(
    listed.irreversible,
    (action, id) => 'irreversible' in action && action.irreversible === id,
  );
  const baselines = unasked(listed.baselines, (action, id) => action.type === 'measure' && action.baseline === id);
  const again = unasked(listed.baselines, (action, id) => action.type === 'measureAgain' && action.baseline === id);
  if (proof === 'measured')
    list.insert(
      list.behind('refit'),
      'measure-again',
      'prove',
      again.map(({ id }) => ({ type: 'measureAgain', baseline: id })),
    );
  const choices = unasked(listed.choices, (action, id) => action.type === 'choose' && action.choice === id);
  // In front, the last first.
  list.insert(
    0,
    'decide',
    'prepare',
    irreversible.map(({ id }) => ({ type: 'decide', irreversible: id })),
  );
  list.insert(
    0,
    'baselines',
    'prepare',
    baselines.map(({ id }) => ({ type: 'measure', baseline: id })),
  );
  list.insert(
    0,
    'choices',
    'prepare',
    choices.map(({ id }) => ({ type: 'choose', choice: id })),
  );
  list.insert(
    0,
    'prerequisites',
    'prepare',
    listed.prerequisites.map(({ id }) => ({ type: 'prerequisite', prerequisite: id })),
  );
  return list.steps;
}

/** The actions that a group's stations do, for whoever looks for them. */
export const isJointAction = (action: PlanAction): action is Extract<PlanAction, { type: JointAction }> =>
  (JOINT_ACTIONS as readonly string[]).includes(action.type);
