import { fail, ok, type Result } from '../result.ts';
import { tooWeak } from '../shop/lifting-gear.ts';
import { acceptBand, canBeVerified, isStaged } from '../tightening/kinds.ts';
import { loadImbalance } from '../tightening/load-imbalance.ts';
import { type Pass, passPlan } from '../tightening/pass-plan.ts';
import { mostEvenPattern, type Pattern, tighteningOrder } from '../tightening/pattern.ts';
import { conditionsOf } from './answer-space.ts';
import { askedBefore, askedBy, isFinding } from './asked.ts';
import { batteryCaution, batteryOf, opensLive } from './battery-off.ts';
import { sidesAsConditions } from './bought-sides.ts';
import { completeSteps, isJointAction } from './complete-steps.ts';
import { type Answers, type Condition, evaluate, type Reason, type Truth } from './condition.ts';
import { functionTests, tryOut } from './function-tests.ts';
import { isGasketed } from './gasketed.ts';
import { type HouseRules, houseRules } from './house-rules.ts';
import type { KitPrefix } from './ids.ts';
import type { JointGroup, KitDocument, OrderRule, Question, Station } from './kit-document.ts';
import type { Step } from './kit-step.ts';
import { spacerFits } from './owner-spacer.ts';
import { goesOnAsPart } from './piece-kind.ts';
import type {
  Applies,
  Plan,
  PlanAction,
  PlanGroup,
  PlanItem,
  PlanRemoved,
  PlanStation,
  PlanStep,
  TraceEntry,
} from './plan.ts';
import type { PrintedSpec } from './printed-spec.ts';
import { actsPuttingOn } from './put-on.ts';
import { keptStepsBefore } from './step-order.ts';
import { sameWord, usesOf, type VehicleFacts } from './vehicle-facts.ts';

export type ResolveError =
  /** Questions that can still change the plan, in the order the kit asks them. */
  | { code: 'answersMissing'; questions: Question[] }
  | { code: 'answerOutOfRange'; question: string; answer: number | string | boolean }
  /** A station is in the plan but none of its specifications applies to this vehicle. */
  | { code: 'specMissing'; station: string };

export type FitVerdict = { text: string; truth: Truth; because: Reason[] };

/**
 * What the vehicle itself answers: a fact of it, or whether it carries something and by how much. A list of what is fitted answers only
 * once somebody has made it.
 */
function vehicleAnswer(
  question: Pick<Question, 'from' | 'fitted' | 'kind'>,
  vehicle: VehicleFacts,
): string | number | boolean | undefined {
  if (question.from !== undefined) return vehicle[question.from];
  const { fitted } = question;
  if (fitted === undefined || vehicle.fitted === undefined) return undefined;
  const carried = vehicle.fitted.find(({ word }) => sameWord(word, fitted));
  // What it does not carry it is not changed by; what it carries without a figure is asked.
  if (question.kind === 'number') return carried ? carried.amount?.value : 0;
  return carried !== undefined;
}

/** Answers with those the vehicle gives by itself filled in; a given answer wins over the vehicle's. */
export function withVehicleAnswers(kit: KitDocument, vehicle: VehicleFacts, given: Answers): Answers {
  const known = kit.questions.flatMap((question) => {
    const fact = vehicleAnswer(question, vehicle);
    return fact === undefined ? [] : [[question.id, fact] as const];
  });
  return { ...Object.fromEntries(known), ...given };
}

/** Whether the kit fits, condition by condition: true, false, or not known yet. */
export function fitVerdicts(kit: KitDocument, vehicle: VehicleFacts, given: Answers): FitVerdict[] {
  const answers = withVehicleAnswers(kit, vehicle, given);
  return kit.fits.map(({ text, when }) => {
    const { truth, because } = evaluate(when, answers);
    return { text, truth, because };
  });
}

/** Whether an answer is one the question allows. */
export function answerAllowed(question: Question, answer: Answers[string]): boolean {
  switch (question.kind) {
    case 'choice':
      return question.choices?.some((choice) => choice.value === answer) ?? false;
    case 'yesNo':
      return typeof answer === 'boolean';
    case 'number':
      return (
        typeof answer === 'number' &&
        Number.isFinite(answer) &&
        answer >= (question.min ?? Number.NEGATIVE_INFINITY) &&
        answer <= (question.max ?? Number.POSITIVE_INFINITY) &&
        (question.spacer === undefined || spacerFits(question.spacer, answer))
      );
  }
}

/** Questions whose answer can still change the plan or the fit, in the kit's order. */
function openQuestions(kit: KitDocument, answers: Answers): Question[] {
  const waiting = new Set(conditionsOf(kit).flatMap((condition) => evaluate(condition, answers).waitsFor));
  return askedBefore(kit).filter((question) => waiting.has(question.id));
}

/** What the parts of one resolution share. */
interface Resolving {
  kit: KitDocument;
  answers: Answers;
  trace: TraceEntry[];
  /** Ids of the compounds that apply. */
  compounds: ReadonlySet<string>;
}

/** What applies, with why; a trace of everything that had a condition. */
function applying<T extends { id: string; when?: Condition }>(
  { kit, answers, trace }: Resolving,
  what: TraceEntry['what'],
  list: readonly T[],
  name: (entry: T) => string,
): Array<{ entry: T; because: Reason[] }> {
  return list.flatMap((entry) => {
    const { truth, because } = evaluate(entry.when, answers);
    const included = truth === 'true';
    if (entry.when) trace.push({ what, kit: kit.id, id: entry.id, name: name(entry), included, because });
    return included ? [{ entry, because }] : [];
  });
}

/** The entries that apply, without their conditions. */
function sift<T extends { id: string; when?: Condition }>(
  resolving: Resolving,
  what: TraceEntry['what'],
  list: readonly T[],
  name: (entry: T) => string,
): Array<Applies<T>> {
  return applying(resolving, what, list, name).map(({ entry, because }) => {
    // Leaving a field out copies slowly, and most entries have no condition to leave out.
    if (entry.when === undefined) return { ...entry, kit: resolving.kit.id, because };
    const { when: _, ...rest } = entry;
    return { ...rest, kit: resolving.kit.id, because };
  });
}

/** No figure yet: which of the sheet's it is hangs on what is found or chosen on the way. */
const figureLater = (specs: readonly PrintedSpec[]): PrintedSpec => ({
  spec: { kind: 'missing', why: 'later' },
  printed: [...new Set(specs.map(({ printed }) => printed))].join(' or '),
});

/** The first specification whose condition holds, with a trace of them all where there is a choice. */
function chooseSpec(
  { kit, answers, trace }: Resolving,
  id: string,
  label: string,
  specs: readonly PrintedSpec[],
): { spec: PrintedSpec; because: Reason[] } | undefined {
  let chosen: { spec: PrintedSpec; because: Reason[] } | undefined;
  for (const spec of specs) {
    const { truth, because } = evaluate(spec.when, answers);
    const included = truth === 'true' && chosen === undefined;
    if (spec.when || specs.length > 1)
      trace.push({ what: 'spec', kit: kit.id, id, name: `${label}: ${spec.printed}`, included, because });
    if (included) chosen = { spec, because };
  }
  if (!chosen && specs.some(({ when }) => evaluate(when, answers).truth === 'unknown'))
    return { spec: figureLater(specs), because: [] };
  return chosen;
}

const AS_LISTED = (): Pattern => 'asListed';

function orderOf(
  rule: OrderRule | undefined,
  fallback: () => Pattern,
  stations: readonly PlanStation[],
): { ids: string[]; pattern: Pattern | 'printed' } {
  if (rule && 'list' in rule) {
    const present = new Set(stations.map((station) => station.id));
    return { ids: rule.list.filter((id) => present.has(id)), pattern: 'printed' };
  }
  const pattern = rule?.pattern ?? fallback();
  if (pattern === 'asListed') return { ids: stations.map((station) => station.id), pattern };
  return { ids: tighteningOrder(stations, pattern, (station) => station).map((station) => station.id), pattern };
}

/** The passes of its group that a station takes part in. */
export const passIndexesOf = (
  station: Pick<PlanStation, 'spec' | 'rounds' | 'unverified'>,
  passes: readonly Pass[],
): number[] => {
  if (station.spec.kind === 'snug') return [];
  // Stages and verify passes exist only for joints that may be pulled more than once.
  if (canBeVerified(station.spec)) {
    const all = passes.flatMap((pass, index) => (station.unverified && pass.kind === 'verify' ? [] : [index]));
    if (station.rounds === undefined) return all;
    // The last of the rounds, and the second look.
    const tightening = all.filter((index) => passes[index]?.kind === 'tighten').slice(-station.rounds);
    return all.filter((index) => passes[index]?.kind === 'verify' || tightening.includes(index));
  }
  const full = passes.findIndex((pass) => pass.kind === 'tighten' && pass.fraction === 1);
  // `30, then 60 N·m, then 75°`: what the sheet prints before it is pulled as well.
  const before = isStaged(station.spec)
    ? passes.flatMap((pass, index) => (index < full && pass.kind === 'tighten' && pass.printed ? [index] : []))
    : [];
  return full < 0 ? [] : [...before, full];
};

/** The least figure of a group, N·m; undefined where no station has one. */
function smallestOf(members: readonly PlanStation[]): number | undefined {
  const figures = members.flatMap(({ spec }) => acceptBand(spec)?.targetNm ?? []);
  return figures.length > 0 ? Math.min(...figures) : undefined;
}

/** The pieces that stand in a joint on this vehicle. */
const stackNow = ({ stack }: Station, answers: Answers): Station['stack'] =>
  stack.some(({ when }) => when !== undefined)
    ? stack.flatMap((piece): Station['stack'] => {
        const { when, ...rest } = piece;
        return evaluate(when, answers).truth === 'true' ? [rest as typeof piece] : [];
      })
    : stack;

/** A figure printed bare takes the house's deviation, where the house has one; one that prints its own keeps it. */
const withTolerance = (spec: PlanStation['spec'], share: number | undefined): PlanStation['spec'] =>
  share !== undefined &&
  (spec.kind === 'torque' || spec.kind === 'targetWithMaximum') &&
  spec.toleranceFraction === undefined
    ? { ...spec, toleranceFraction: share }
    : spec;

function resolveStation(resolving: Resolving, station: Station, groupId: string): PlanStation | undefined {
  const { specs } = station;
  const chosen = chooseSpec(resolving, station.id, station.label, specs);
  if (!chosen) return undefined;
  const others =
    specs.length < 2
      ? []
      : [...new Map(specs.map(({ printed, spec }) => [printed, { printed, spec }])).values()].filter(
          ({ printed }) => printed !== chosen.spec.printed,
        );
  // Field by field: a visit has thousands of stations and is resolved anew with every answer.
  return {
    id: station.id,
    label: station.label,
    name: station.name,
    side: station.side,
    place: station.place,
    xMm: station.xMm,
    yMm: station.yMm,
    stack: stackNow(station, resolving.answers),
    compound: resolving.compounds.has(station.compound ?? '') ? station.compound : undefined,
    rounds: station.rounds,
    turned: station.turned,
    tags: station.tags,
    aliases: station.aliases,
    drillMm: station.drillMm,
    drive: station.drive,
    holding: station.holding,
    note: station.note,
    kit: resolving.kit.id,
    groupId,
    spec: chosen.spec.spec,
    printed: chosen.spec.printed,
    basis: chosen.spec.basis,
    specBecause: chosen.because,
    notThisVehicle: others.length > 0 ? others : undefined,
    passIndexes: [],
  };
}

function resolveRemoved(resolving: Resolving, vehicle: VehicleFacts): PlanRemoved[] {
  return sift(resolving, 'removed', resolving.kit.removed, (thing) => thing.name).map(({ specs, ...thing }) => {
    const chosen = specs && chooseSpec(resolving, thing.id, thing.name, specs);
    const used = thing.reuseUnknown ? usesOf(vehicle, thing) : undefined;
    return {
      ...thing,
      ...(used === undefined ? {} : { usedBefore: used }),
      ...(chosen ? { refitSpec: { spec: chosen.spec.spec, printed: chosen.spec.printed } } : {}),
    };
  });
}

/** Lists that actions name entries of, by the field that names them. */
type Present = Readonly<Record<string, ReadonlySet<string>>>;

/** Whether what an action is done to is on this vehicle. */
const isPresent = (action: PlanAction, present: Present): boolean =>
  Object.entries(present).every(([field, ids]) => {
    const id = (action as unknown as Record<string, unknown>)[field];
    return typeof id !== 'string' || ids.has(id);
  });

/** A step's actions with what is asked where it is done: before its joints go together, else when all is done. */
function withFindings(actions: readonly PlanAction[], findings: readonly Question[]): PlanAction[] {
  const joint = actions.findIndex(isJointAction);
  const at = joint < 0 ? actions.length : joint;
  const asked = findings.map(({ id }): PlanAction => ({ type: 'find', question: id }));
  return [...actions.slice(0, at), ...asked, ...actions.slice(at)];
}

/** The steps that apply. One whose every action is for something this vehicle does not have is no step of it. */
function resolveSteps(resolving: Resolving, present: Present): PlanStep[] {
  const { kit } = resolving;
  const findings = kit.questions.filter(isFinding);
  const kept = applying<Step>(resolving, 'steps', kit.steps, (step) => step.text).flatMap(({ entry, because }) => {
    const actions = entry.actions.filter((action) => isPresent(action, present));
    if (entry.actions.length > 0 && actions.length === 0) return [];
    const asked = findings.filter(({ askedAt }) => askedAt === entry.id);
    return [{ entry, because, actions: asked.length > 0 ? withFindings(actions, asked) : actions }];
  });
  const before = keptStepsBefore(kit.steps, new Set(kept.map(({ entry }) => entry.id)));
  return kept.map(({ entry, because, actions }) => ({
    id: entry.id,
    kit: kit.id,
    because,
    number: entry.number,
    text: entry.text,
    phase: entry.phase,
    side: entry.side,
    actions,
    minutes: entry.minutes,
    people: entry.people,
    needs: entry.needs ?? [],
    after: before.get(entry.id) ?? [],
    ...(entry.after === undefined ? {} : { strict: true as const }),
    covers: [entry.id],
  }));
}

/** The arithmetic of the packing list: what stands in stations, what steps put on, and parts whose group is there. */
export function withNeeds(
  items: ReadonlyArray<Omit<PlanItem, 'needed' | 'expectedSpare' | 'putOn'>>,
  stations: readonly PlanStation[],
  groups: ReadonlySet<string>,
  steps: ReadonlyArray<Pick<PlanStep, 'actions'>>,
): PlanItem[] {
  const acts = actsPuttingOn(steps);
  const inStations = new Map<string, number>();
  for (const { stack } of stations)
    for (const piece of stack)
      if (piece.kind === 'hardware') inStations.set(piece.item, (inStations.get(piece.item) ?? 0) + 1);
  return items.map((item) => {
    const asPart = goesOnAsPart(item) && item.fittedWith !== undefined && groups.has(item.fittedWith);
    const standing = inStations.get(item.id) ?? 0;
    const byActs = item.kind !== 'compound' && (asPart || acts.has(item.id));
    const putOn = byActs ? Math.max(0, item.quantity - standing - (item.statedSpare ?? 0)) : 0;
    const needed = item.kind === 'compound' ? item.quantity : standing + putOn;
    return { ...item, putOn, needed, expectedSpare: item.quantity - needed };
  });
}

/**
 * Resolves a kit for one vehicle: everything conditional decided, orders worked out, spares counted.
 *
 * @param document - one that {@link kitFaults} finds no fault in
 * @param vehicle - what is known of the vehicle
 * @param given - the answers so far
 * @param shop - what the shop's own rules set
 * @param prefix - what the kit's ids carry in this visit; what the line adds carries it too
 * @returns the plan, or the questions still to be answered. The same inputs give the same plan everywhere.
 */
export function resolve(
  document: KitDocument,
  vehicle: VehicleFacts,
  given: Answers,
  shop: Partial<HouseRules> = {},
  prefix: KitPrefix = '',
): Result<Plan, ResolveError> {
  const kit = sidesAsConditions(document);
  const answers = withVehicleAnswers(kit, vehicle, given);
  for (const question of askedBy(kit)) {
    const answer = answers[question.id];
    if (answer !== undefined && !answerAllowed(question, answer))
      return fail({ code: 'answerOutOfRange', question: question.id, answer });
  }
  const missing = openQuestions(kit, answers);
  if (missing.length > 0) return fail({ code: 'answersMissing', questions: missing });

  const rules = houseRules(shop);
  const trace: TraceEntry[] = [];
  const compounds = new Set(
    kit.compounds.filter(({ when }) => evaluate(when, answers).truth === 'true').map(({ id }) => id),
  );
  const resolving: Resolving = { kit, answers, trace, compounds };
  const keptGroups = sift<JointGroup>(resolving, 'groups', kit.groups, (group) => group.title);
  const keptStations = applying<Station>(resolving, 'stations', kit.stations, (station) => station.name);
  const stationById = new Map(keptStations.map(({ entry }) => [entry.id, entry]));

  const stations: PlanStation[] = [];
  const groups: PlanGroup[] = [];
  for (const group of keptGroups) {
    const members: PlanStation[] = [];
    for (const id of group.stations) {
      const kept = stationById.get(id);
      if (!kept) continue;
      const station = resolveStation(resolving, kept, group.id);
      if (!station) return fail({ code: 'specMissing', station: id });
      station.spec = withTolerance(station.spec, rules.bareTolerance);
      members.push(station);
    }
    // A group whose stations all fell away is no work.
    if (members.length === 0) continue;
    const {
      startOrder,
      snugOrder,
      torqueOrder,
      stages,
      verify,
      verifyOnly,
      after: _after,
      looseWith: _with,
      because: _,
      ...rest
    } = group;
    const named = new Set(verifyOnly);
    // Where some are named a second look is wanted, whatever the number of stations.
    const shopStages = members.length > 1 && isGasketed(kit, members) ? rules.gasketStages : undefined;
    const passes: Pass[] = group.recheck
      ? [{ kind: 'verify' }]
      : passPlan(
          members.length,
          {
            stages: stages ?? shopStages,
            verify: verify ?? (named.size > 0 || undefined),
            printed: stages !== undefined,
          },
          rules,
          smallestOf(members),
        );
    for (const member of members) if (named.size > 0 && !named.has(member.id)) member.unverified = true;
    for (const member of members) member.passIndexes = passIndexesOf(member, passes);
    const torque = orderOf(torqueOrder, () => mostEvenPattern(members, (station) => station), members);
    const byId = new Map(members.map((member) => [member.id, member]));
    groups.push({
      ...rest,
      stations: members.map((member) => member.id),
      startOrder: orderOf(startOrder, AS_LISTED, members).ids,
      snugOrder: orderOf(snugOrder, AS_LISTED, members).ids,
      torqueOrder: torque.ids,
      torquePattern: torque.pattern,
      loadImbalance: loadImbalance(torque.ids.flatMap((id) => byId.get(id) ?? [])),
      passes,
      after: [],
      looseWith: [],
    });
    stations.push(...members);
  }
  const present = new Set(groups.map((group) => group.id));
  const sheetGroups = new Map(kit.groups.map((group) => [group.id, group]));
  for (const group of groups) {
    const sheet = sheetGroups.get(group.id);
    group.after = (sheet?.after ?? []).filter((entry) => present.has(entry.group));
    group.looseWith = (sheet?.looseWith ?? []).filter((id) => present.has(id));
  }

  const items = applying(resolving, 'items', kit.items, (item) => `${item.line} ${item.name}`).map(({ entry }) => {
    const { when: _, quantities, facings, leftover, ...item } = entry;
    const first = <T extends { when?: Condition }>(list: readonly T[] | undefined): T | undefined =>
      list?.find(({ when }) => evaluate(when, answers).truth === 'true');
    const quantity = first(quantities)?.quantity ?? item.quantity;
    const facing = first(facings)?.facing ?? item.facing;
    const statedSpare = first(leftover)?.quantity;
    return {
      ...item,
      quantity,
      ...(facing === undefined ? {} : { facing }),
      ...(statedSpare === undefined ? {} : { statedSpare }),
      kit: kit.id,
    };
  });
  const text = (entry: { text: string }) => entry.text;
  const name = (entry: { name: string }) => entry.name;
  const listed = {
    groups,
    items,
    prerequisites: sift(resolving, 'prerequisites', kit.prerequisites, text),
    baselines: sift(resolving, 'baselines', kit.baselines, name),
    choices: sift(resolving, 'choices', kit.choices, text),
    irreversible: sift(resolving, 'irreversible', kit.irreversible, text),
    temporary: sift(resolving, 'temporary', kit.temporary, name),
    removed: resolveRemoved(resolving, vehicle),
    disconnects: sift(resolving, 'disconnects', kit.disconnects, name),
    neighbours: sift(resolving, 'neighbours', kit.neighbours, name),
    checks: sift(resolving, 'checks', kit.checks, text),
  };
  const live = opensLive(rules.batteryOff, { ...listed, texts: [...kit.steps, ...kit.prerequisites].map(text) });
  const battery = live.length > 0 ? batteryOf(kit.id, prefix) : undefined;
  const idsOf = (list: ReadonlyArray<{ id: string }>) => new Set(list.map(({ id }) => id));
  const steps = resolveSteps(resolving, {
    removed: idsOf(listed.removed),
    disconnect: idsOf(listed.disconnects),
    neighbour: idsOf(listed.neighbours),
    temporary: idsOf(listed.temporary),
    baseline: idsOf(listed.baselines),
    check: idsOf(listed.checks),
    irreversible: idsOf(listed.irreversible),
    choice: idsOf(listed.choices),
    item: idsOf(listed.items),
    station: idsOf(stations),
    group: present,
    compound: compounds,
  });
  const tests = functionTests(rules.functionTests, { ...listed, steps, adds: kit.adds ?? [] }, { kit: kit.id, prefix });
  const whole = completeSteps(steps, listed, {
    kit: kit.id,
    prefix,
    proof: rules.proof,
    tests: tests.map(tryOut),
    ...(battery ? { battery: { id: battery.id, before: new Set(live) } } : {}),
  });
  const cautions = sift(resolving, 'cautions', kit.cautions, text);
  return ok({
    title: kit.title,
    maker: kit.maker,
    rules,
    tooWeak: tooWeak(rules.lifting ?? [], vehicle.ratings),
    kits: [
      {
        id: kit.id,
        revision: kit.revision,
        title: kit.title,
        maker: kit.maker,
        prefix: '',
        statedMinutes: kit.statedMinutes,
        powerTools: kit.powerTools ?? 'runDownOnly',
        runDownShare: kit.runDownShare,
        oneSideAtATime: kit.oneSideAtATime ?? false,
        adds: kit.adds ?? [],
        ...(kit.loads ? { loads: kit.loads } : {}),
      },
    ],
    questions: askedBy(kit).map((question) => ({ ...question, kit: kit.id })),
    findings: kit.questions
      .filter(({ askedAt }) => steps.some(({ id }) => id === askedAt))
      .map((question) => ({ ...question, kit: kit.id })),
    compounds: kit.compounds.filter(({ id }) => compounds.has(id)).map(({ when: _, ...compound }) => compound),
    stations,
    cautions: battery ? [batteryCaution(battery, kit.id), ...cautions] : cautions,
    aftercare: sift(resolving, 'aftercare', kit.aftercare, text),
    tools: sift(resolving, 'tools', kit.tools, name),
    figures: kit.figures ?? [],
    ...listed,
    disconnects: battery ? [battery, ...listed.disconnects] : listed.disconnects,
    checks: [...listed.checks, ...tests],
    items: withNeeds(items, stations, present, whole),
    steps: whole,
    conflicts: [],
    shared: [],
    trace,
  });
}
