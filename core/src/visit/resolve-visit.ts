import type { Answers } from '../kit/condition.ts';
import type { HouseRules } from '../kit/house-rules.ts';
import type { Plan, PlanAction, PlanGroup, PlanStation, PlanStep } from '../kit/plan.ts';
import type { Conflict, Settlement } from '../kit/plan-conflict.ts';
import { type ResolveError, resolve, withNeeds, withVehicleAnswers } from '../kit/resolve.ts';
import type { SharedWork } from '../kit/shared-work.ts';
import type { VehicleFacts } from '../kit/vehicle-facts.ts';
import { withRefit } from '../refit/with-refit.ts';
import { ok, type Result } from '../result.ts';
import { findConflicts, jointDifferences, sharedJoints } from './conflict.ts';
import { withReferences } from './cross-reference.ts';
import { mergeAftercare, mergeCautions } from './merge-notes.ts';
import { type MergedSteps, mergeSteps } from './merge-steps.ts';
import { thingFinder } from './same-thing.ts';
import { scopedKit } from './scoped-kit.ts';
import { thingListsOf } from './thing-lists.ts';
import type { VisitKit } from './visit.ts';

/** What was decided about a visit, beyond the answers. */
export interface VisitDecisions {
  /** Leads' choices, by conflict. */
  settled?: Readonly<Record<string, Settlement>>;
  /** Things a person said are two, though called alike. */
  split?: readonly string[];
}

const joined = (words: readonly string[]): string => [...new Set(words)].join(' + ');

/** The kits' plans in one, nothing taken as shared yet. */
function sideBySide(plans: readonly Plan[]): Plan {
  const [first] = plans as [Plan];
  if (plans.length === 1) return first;
  const all = <K extends keyof Plan>(list: K): Plan[K] =>
    plans.flatMap((plan) => plan[list] as unknown[]) as unknown as Plan[K];
  return {
    title: joined(plans.map((plan) => plan.title)),
    maker: joined(plans.map((plan) => plan.maker)),
    rules: first.rules,
    tooWeak: first.tooWeak,
    kits: all('kits'),
    questions: all('questions'),
    findings: all('findings'),
    items: all('items'),
    compounds: all('compounds'),
    stations: all('stations'),
    groups: all('groups'),
    cautions: all('cautions'),
    aftercare: all('aftercare'),
    prerequisites: all('prerequisites'),
    baselines: all('baselines'),
    choices: all('choices'),
    irreversible: all('irreversible'),
    temporary: all('temporary'),
    neighbours: all('neighbours'),
    removed: all('removed'),
    disconnects: all('disconnects'),
    checks: all('checks'),
    tools: all('tools'),
    figures: all('figures'),
    steps: all('steps'),
    conflicts: [],
    shared: [],
    trace: all('trace'),
  };
}

/** Joints that several kits tighten, with the station that is worked; undecided ones are left as they are. */
function jointsTakenAsOne(plan: Plan, conflicts: ReadonlyMap<string, Conflict>): SharedWork[] {
  return sharedJoints(plan).flatMap(({ key, place, stations }) => {
    const conflict = conflicts.get(`sameJoint ${key}`);
    if (conflict && !conflict.settled) return [];
    const kept = stations.find((station) => station.kit === conflict?.settled?.choice) ?? stations[0];
    if (!kept || (!conflict && jointDifferences(plan, stations).length > 0)) return [];
    const members = stations.map(({ kit, id }) => ({ kit, id }));
    return [{ key, what: 'station' as const, name: place, by: 'place' as const, members, keeps: kept.id }];
  });
}

/** The plan with each shared joint tightened once; groups left empty fall away, and who waited for them waits on. */
function withOneJointEach(plan: Plan, taken: readonly SharedWork[], conflicts: ReadonlyMap<string, Conflict>): Plan {
  if (taken.length === 0) return plan;
  const standsFor = new Map(
    taken.flatMap(({ members, keeps = '' }) =>
      members.flatMap(({ id }) => (id === keeps ? [] : [[id, keeps] as const])),
    ),
  );
  const figures = new Map(
    taken.flatMap(({ key, keeps = '' }) => {
      const figure = conflicts.get(`sameJoint ${key}`)?.settled?.figure;
      return figure ? [[keeps, figure] as const] : [];
    }),
  );
  const stations = plan.stations.flatMap((station): PlanStation[] => {
    if (standsFor.has(station.id)) return [];
    const figure = figures.get(station.id);
    return [figure ? { ...station, ...figure, specBecause: [] } : station];
  });
  const groupOf = new Map(plan.stations.map((station) => [station.id, station.groupId]));
  const gone = new Map<string, string[]>();
  const kept = plan.groups.flatMap((group): PlanGroup[] => {
    const here = (ids: readonly string[]) => ids.filter((id) => !standsFor.has(id));
    if (here(group.stations).length === 0) {
      gone.set(
        group.id,
        group.stations.flatMap((id) => groupOf.get(standsFor.get(id) ?? '') ?? []),
      );
      return [];
    }
    return [
      {
        ...group,
        stations: here(group.stations),
        startOrder: here(group.startOrder),
        snugOrder: here(group.snugOrder),
        torqueOrder: here(group.torqueOrder),
      },
    ];
  });
  const groups = kept.map((group) => ({
    ...group,
    after: group.after
      .flatMap((entry) => (gone.get(entry.group) ?? [entry.group]).map((id) => ({ ...entry, group: id })))
      .filter((entry) => entry.group !== group.id),
    looseWith: [...new Set(group.looseWith.flatMap((id) => gone.get(id) ?? [id]))].filter((id) => id !== group.id),
  }));
  const goneOf = (action: PlanAction): string[] =>
    'group' in action && action.group !== undefined ? [...new Set(gone.get(action.group) ?? [])] : [];
  // A sheet's step for a group that fell away is done with the group that stands for it.
  const steps = plan.steps.map((step) =>
    step.actions.some((action) => goneOf(action).length > 0)
      ? {
          ...step,
          actions: step.actions.flatMap((action): PlanAction[] => {
            const groups = goneOf(action);
            return groups.length > 0 ? groups.map((group) => ({ ...action, group }) as PlanAction) : [action];
          }),
        }
      : step,
  );
  return { ...plan, stations, groups, steps };
}

/**
 * Resolves all kits of a visit for one vehicle and lays them together: work that two kits share is planned once, steps
 * are interleaved without breaking either sheet's order, the reverse of every removal is written out, and what is at odds
 * is set side by side for a lead. A visit of one kit is the kit resolved.
 *
 * @param kits - in the order they came into the visit
 * @param answers - by scoped question id
 * @param decided - what leads and fitters decided so far
 * @returns the plan, or the first kit's questions still open. The same inputs give the same plan everywhere.
 */
export function resolveVisit(
  kits: readonly VisitKit[],
  vehicle: VehicleFacts,
  answers: Answers,
  shop: Partial<HouseRules> = {},
  decided: VisitDecisions = {},
): Result<Plan, ResolveError & { kit: string }> {
  const { settled = {}, split = [] } = decided;
  const effective = withOvertaken(answers, settled);
  const plans: Plan[] = [];
  const known: Record<string, unknown> = {};
  for (const kit of kits) {
    const document = scopedKit(kit.document, kit.prefix);
    const own = withVehicleAnswers(document, vehicle, effective);
    const resolved = resolve(document, vehicle, own, shop, kit.prefix);
    if (!resolved.ok) return { ok: false, error: { ...resolved.error, kit: kit.document.id } };
    const { value } = resolved;
    plans.push({ ...value, kits: value.kits.map((entry) => ({ ...entry, prefix: kit.prefix })) });
    Object.assign(known, own);
  }
  const beside = withReferences(sideBySide(plans));
  const splitKeys = new Set(split);
  const thingOf = thingFinder(thingListsOf(beside));
  // An answer a lead already turned to yes is a conflict still, and settled.
  const asked = { ...known, ...Object.fromEntries(turnedToYes(settled).map((id) => [id, false])) };
  const found = findConflicts(beside, thingOf, asked, splitKeys).map(
    (conflict): Conflict => withSettlement(conflict, settled[conflict.id]),
  );
  const conflicts = new Map(found.map((conflict) => [conflict.id, conflict]));

  const taken = jointsTakenAsOne(beside, conflicts);
  const joints = withOneJointEach(beside, taken, conflicts);
  const figures = new Map(
    found.flatMap(({ kind, sides, settled: choice }) => {
      if (kind !== 'refitFigure' || !choice) return [];
      const chosen = sides.find(({ kit }) => kit === choice.choice);
      const own = chosen?.spec && chosen.printed ? { spec: chosen.spec, printed: chosen.printed } : undefined;
      const refitSpec = choice.figure ?? own;
      return refitSpec ? sides.flatMap(({ ids }) => ids.map((id) => [id, refitSpec] as const)) : [];
    }),
  );
  const removed = joints.removed.map((entry) => {
    const refitSpec = figures.get(entry.id);
    const thing = refitSpec ? { ...entry, refitSpec } : entry;
    const fate = found.find(
      ({ kind, sides, settled: choice }) =>
        kind === 'fates' && choice && sides.some(({ ids }) => ids.includes(thing.id)),
    );
    const chosen = fate?.sides.find(({ kit }) => kit === fate.settled?.choice)?.fate;
    return chosen === undefined ? thing : { ...thing, fate: chosen };
  });
  const keptOut = new Set(
    found.flatMap(({ kind, sides, settled: choice }) =>
      kind === 'samePlace' && choice && choice.choice !== 'both'
        ? sides.filter(({ kit }) => kit !== choice.choice).flatMap(({ ids }) => ids)
        : [],
    ),
  );
  const removals = new Map(removed.map((thing) => [thing.id, thing]));
  const retired = new Set(joints.disconnects.filter(({ retires }) => retires).map(({ id }) => id));
  const steps = kits.flatMap(({ document }) =>
    withRefit(
      joints.steps.filter((step) => step.kit === document.id),
      removals,
      retired,
    ),
  );
  const kitIds = kits.map(({ document }) => document.id);
  const later = found.flatMap(({ kind, sides, settled: choice }) =>
    kind === 'overtaken' && choice?.choice === 'asIs' ? (sides[0]?.kit ?? []) : [],
  );
  const merged = mergeSteps(kitIds, steps, thingOf, splitKeys, later, (id) => settled[contraryId(id)]?.choice);
  const contrary = merged.apart.filter((kit) => !later.includes(kit)).map((kit) => orderConflict(kit, joints, settled));
  const groups = new Set(joints.groups.map((group) => group.id));
  const aftercare = mergeAftercare(joints.aftercare);
  const cautions = mergeCautions(joints.cautions);
  return ok({
    ...joints,
    items: withNeeds(
      // What gives way to another kit's part stays in the box, whatever its sheet would do with it.
      joints.items.map((item) =>
        keptOut.has(item.id) ? { ...item, fittedWith: undefined, statedSpare: item.quantity } : item,
      ),
      joints.stations,
      groups,
      merged.steps,
    ),
    removed,
    steps: merged.steps,
    aftercare: aftercare.kept,
    cautions: cautions.kept,
    conflicts: toldApart([
      ...found,
      ...merged.contrary.map((one) => contraryConflict(one, steps, settled)),
      ...contrary,
    ]),
    shared: [...taken, ...merged.shared, ...aftercare.shared, ...cautions.shared],
  });
}

/** No two conflicts of one kind bear the same words. */
function toldApart(conflicts: readonly Conflict[]): Conflict[] {
  const times = new Map<string, number>();
  return conflicts.map((conflict) => {
    const words = `${conflict.kind} ${conflict.place}`;
    const time = (times.get(words) ?? 0) + 1;
    times.set(words, time);
    return time === 1 ? conflict : { ...conflict, place: `${conflict.place} (${time})` };
  });
}

const withSettlement = (conflict: Conflict, settled: Settlement | undefined): Conflict =>
  settled && conflict.choices.includes(settled.choice) ? { ...conflict, settled } : conflict;

const OVERTAKEN_YES = /^overtaken /;

/** Questions that a lead answered yes because another kit of the visit puts the thing on: kept in the settlement. */
const turnedToYes = (settled: Readonly<Record<string, Settlement>>): string[] =>
  Object.entries(settled).flatMap(([id, { choice, question }]) =>
    OVERTAKEN_YES.test(id) && choice === 'answerYes' && question !== undefined ? [question] : [],
  );

const withOvertaken = (answers: Answers, settled: Readonly<Record<string, Settlement>>): Answers => ({
  ...answers,
  ...Object.fromEntries(turnedToYes(settled).map((id) => [id, true])),
});

const contraryId = (things: string): string => `contrary ${things}`;

/** Shared things that the sheets want closed in contrary order: a lead says whose order holds, and the rest is merged. */
function contraryConflict(
  { id, kits, steps: caught, things }: MergedSteps['contrary'][number],
  steps: readonly PlanStep[],
  settled: Readonly<Record<string, Settlement>>,
): Conflict {
  const inCircle = new Set(caught);
  const names = [...new Set(things.flatMap((side) => side.names))];
  return withSettlement(
    {
      id: contraryId(id),
      kind: 'contrary',
      place: names.join(' and '),
      differs: [],
      sides: things.map((side) => ({
        kit: side.kit,
        ids: steps.filter((step) => step.kit === side.kit && inCircle.has(step.id)).map((step) => step.id),
        name: side.names.join(', then '),
      })),
      choices: kits,
    },
    settled[contraryId(id)],
  );
}

/** A kit that could not be interleaved: it is worked after the others, which a lead is asked to look at. */
function orderConflict(kit: string, plan: Plan, settled: Readonly<Record<string, Settlement>>): Conflict {
  const id = `order ${kit}`;
  const title = (of: string) => plan.kits.find((entry) => entry.id === of)?.title ?? of;
  const sides = plan.kits.map((entry) => ({ kit: entry.id, ids: [], name: title(entry.id) }));
  return withSettlement({ id, kind: 'order', place: title(kit), differs: [], sides, choices: ['asIs'] }, settled[id]);
}
