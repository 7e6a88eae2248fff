import { fail, ok, type Result } from '../result.ts';
import { loadImbalance } from '../tightening/load-imbalance.ts';
import { type Pass, type PassRule, passPlan } from '../tightening/pass-plan.ts';
import { mostEvenPattern, type Pattern, tighteningOrder } from '../tightening/pattern.ts';
import { canBeVerified } from '../tightening/tightening-spec.ts';
import { type Answers, type Condition, evaluate, type Reason, type Truth } from './condition.ts';
import type { JointGroup, KitDocument, OrderRule, Question, Station } from './kit-document.ts';
import type { Plan, PlanGroup, PlanItem, PlanStation, TraceEntry } from './plan.ts';
import type { VehicleFacts } from './vehicle-facts.ts';

export type ResolveError =
  /** Questions that can still change the plan, in the order the kit asks them. */
  | { code: 'answersMissing'; questions: Question[] }
  | { code: 'answerOutOfRange'; question: string; answer: number | string | boolean }
  /** A station is in the plan but none of its specifications applies to this vehicle. */
  | { code: 'specMissing'; station: string };

export type FitVerdict = { text: string; truth: Truth; because: Reason[] };

/** Answers with those the vehicle gives by itself filled in; a given answer wins over the vehicle's. */
export function withVehicleAnswers(kit: KitDocument, vehicle: VehicleFacts, given: Answers): Answers {
  const known = kit.questions.flatMap((question) => {
    const fact = question.from === undefined ? undefined : vehicle[question.from];
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
        answer <= (question.max ?? Number.POSITIVE_INFINITY)
      );
  }
}

/** Every condition of a kit that shapes its plan. */
const planConditions = (kit: KitDocument): Array<Condition | undefined> => [
  ...kit.items.map((item) => item.when),
  ...kit.groups.map((group) => group.when),
  ...kit.stations.map((station) => station.when),
  ...kit.stations.flatMap((station) => station.specs.map((spec) => spec.when)),
  ...kit.cautions.map((caution) => caution.when),
  ...kit.aftercare.map((entry) => entry.when),
];

/** Questions whose answer can still change the plan or the fit, in the kit's order. */
export function openQuestions(kit: KitDocument, answers: Answers): Question[] {
  const conditions = [...planConditions(kit), ...kit.fits.map((fit) => fit.when)];
  const waiting = new Set(conditions.flatMap((condition) => evaluate(condition, answers).waitsFor));
  return kit.questions.filter((question) => waiting.has(question.id));
}

/** Keeps what applies and writes down why, for everything that had a condition. */
function sift<T extends { id: string; when?: Condition }>(
  list: readonly T[],
  what: TraceEntry['what'],
  answers: Answers,
  trace: TraceEntry[],
  name: (entry: T) => string,
): Array<Omit<T, 'when'>> {
  return list.flatMap((entry) => {
    const { truth, because } = evaluate(entry.when, answers);
    if (entry.when) trace.push({ what, id: entry.id, name: name(entry), included: truth === 'true', because });
    if (truth !== 'true') return [];
    const { when: _, ...rest } = entry;
    return [rest];
  });
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
  return { ids: tighteningOrder(stations, pattern, (station) => station).map((station) => station.id), pattern };
}

const passIndexesOf = (station: Pick<PlanStation, 'spec'>, passes: readonly Pass[]): number[] => {
  if (station.spec.kind === 'snug') return [];
  // Stages and verify passes exist only for joints that may be pulled more than once.
  if (canBeVerified(station.spec)) return passes.map((_, index) => index);
  return passes.flatMap((pass, index) => (pass.kind === 'tighten' && pass.fraction === 1 ? [index] : []));
};

function resolveStation(
  station: Omit<Station, 'when'>,
  groupId: string,
  answers: Answers,
  trace: TraceEntry[],
): PlanStation | undefined {
  const { specs, ...rest } = station;
  let chosen: PlanStation | undefined;
  for (const printed of specs) {
    const { truth, because } = evaluate(printed.when, answers);
    const included = truth === 'true' && chosen === undefined;
    if (printed.when || specs.length > 1) {
      trace.push({ what: 'spec', id: station.id, name: `${station.label}: ${printed.printed}`, included, because });
    }
    if (included)
      chosen = {
        ...rest,
        groupId,
        spec: printed.spec,
        printed: printed.printed,
        specBecause: because,
        passIndexes: [],
      };
  }
  return chosen;
}

/**
 * Resolves a kit for one vehicle: everything conditional decided, orders worked out, spares counted.
 *
 * @param kit - a document that {@link kitFaults} finds no fault in
 * @param vehicle - what is known of the vehicle
 * @param given - the answers so far
 * @param shop - the shop's habit for stages and verify
 * @returns the plan, or the questions still to be answered. The same inputs give the same plan everywhere.
 */
export function resolve(
  kit: KitDocument,
  vehicle: VehicleFacts,
  given: Answers,
  shop: PassRule = {},
): Result<Plan, ResolveError> {
  const answers = withVehicleAnswers(kit, vehicle, given);
  for (const question of kit.questions) {
    const answer = answers[question.id];
    if (answer !== undefined && !answerAllowed(question, answer))
      return fail({ code: 'answerOutOfRange', question: question.id, answer });
  }
  const missing = openQuestions(kit, answers);
  if (missing.length > 0) return fail({ code: 'answersMissing', questions: missing });

  const trace: TraceEntry[] = [];
  const keptGroups = sift<JointGroup>(kit.groups, 'group', answers, trace, (group) => group.title);
  const keptStations = sift<Station>(kit.stations, 'station', answers, trace, (station) => station.name);
  const stationById = new Map(keptStations.map((station) => [station.id, station]));

  const stations: PlanStation[] = [];
  const groups: PlanGroup[] = [];
  for (const group of keptGroups) {
    const members: PlanStation[] = [];
    for (const id of group.stations) {
      const kept = stationById.get(id);
      if (!kept) continue;
      const station = resolveStation(kept, group.id, answers, trace);
      if (!station) return fail({ code: 'specMissing', station: id });
      members.push(station);
    }
    // A group whose stations all fell away is no work.
    if (members.length === 0) continue;
    const { startOrder, snugOrder, torqueOrder, stages, verify, ...rest } = group;
    const passes = passPlan(members.length, { stages, verify }, shop);
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
    });
    stations.push(...members);
  }
  const present = new Set(groups.map((group) => group.id));
  for (const group of groups)
    group.after = (kit.groups.find((entry) => entry.id === group.id)?.after ?? []).filter((id) => present.has(id));

  const usedInStations = new Map<string, number>();
  for (const piece of stations.flatMap((station) => station.stack)) {
    if (piece.kind === 'hardware') usedInStations.set(piece.item, (usedInStations.get(piece.item) ?? 0) + 1);
  }
  const items = sift(kit.items, 'item', answers, trace, (item) => `${item.line} ${item.name}`).map((item): PlanItem => {
    const fitted =
      item.kind === 'part' && item.fittedWith !== undefined && present.has(item.fittedWith) ? item.quantity : 0;
    const needed = item.kind === 'compound' ? item.quantity : (usedInStations.get(item.id) ?? 0) + fitted;
    return { ...item, needed, expectedSpare: item.quantity - needed };
  });

  return ok({
    kitId: kit.id,
    kitRevision: kit.revision,
    title: kit.title,
    maker: kit.maker,
    statedMinutes: kit.statedMinutes,
    powerTools: kit.powerTools ?? 'runDownOnly',
    items,
    compounds: kit.compounds,
    stations,
    groups,
    cautions: sift(kit.cautions, 'caution', answers, trace, (caution) => caution.text),
    aftercare: sift(kit.aftercare, 'aftercare', answers, trace, (entry) => entry.text),
    trace,
  });
}
