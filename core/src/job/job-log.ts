import type { AnswerValue } from '../kit/condition.ts';
import type { HouseRules } from '../kit/house-rules.ts';
import type { Plan } from '../kit/plan.ts';
import type { ResolveError } from '../kit/resolve.ts';
import type { VehicleFacts } from '../kit/vehicle-facts.ts';
import { withReusedJoints } from '../refit/reused-joints.ts';
import { ok, type Result } from '../result.ts';
import { resolveVisit } from '../visit/resolve-visit.ts';
import { spreadAnswers, type VisitKit, visitQuestions } from '../visit/visit.ts';
import { withAddedSteps } from '../visit/with-added-steps.ts';
import { withAims, withNamedCompounds } from '../visit/with-aims.ts';
import { withFigures } from '../visit/with-figures.ts';
import type { Wrench } from '../wrench/wrench.ts';
import type { DecideContext } from './act/act.ts';
import { ACTS, type JobEvent } from './acts.ts';
import type { CommandEnvelope } from './command-envelope.ts';
import { type CommandIds, noCommands, withCommands } from './command-ids.ts';
import { contradictions, stepsLost } from './contradiction.ts';
import { decide } from './decide.ts';
import { currentEvent } from './event-version.ts';
import { foldAll } from './fold.ts';
import { emptyJob, type JobState, stationState } from './job-state.ts';
import type { Refusal } from './refusal.ts';

/** What a job was opened with. Kits are pinned: a later revision does not reach into it. */
export interface JobSetup {
  /** Every kit that is or was in the visit, each with the prefix of its ids. */
  kits: VisitKit[];
  /** Prefixes of those the visit began with. */
  openedWith: string[];
  vehicle: VehicleFacts;
  answers: Record<string, AnswerValue>;
  shop: Partial<HouseRules>;
}

/** A setup of one kit, whose ids stand as they are. */
export const oneKit = (document: VisitKit['document']): Pick<JobSetup, 'kits' | 'openedWith'> => ({
  kits: [{ document, prefix: '' }],
  openedWith: [''],
});

/** A job as it is held in memory: its plan, its state, and the commands it has already taken. */
export interface JobLog {
  setup: JobSetup;
  plan: Plan;
  state: JobState;
  commandIds: CommandIds;
}

/** The kits in the visit as the job stands, in the order they came. */
export const kitsNow = (setup: JobSetup, state: JobState): VisitKit[] =>
  state.visit.kits.flatMap((prefix) => setup.kits.find((kit) => kit.prefix === prefix) ?? []);

/** What the floor has told since: what was chosen, and what was found. */
const toldOnTheLine = ({ choices, findings }: JobState['visit']): Record<string, AnswerValue> => ({
  ...Object.fromEntries(Object.entries(choices).map(([id, { option }]) => [id, option])),
  ...Object.fromEntries(Object.entries(findings).map(([id, { value }]) => [id, value])),
});

/** The plan as the job's answers, findings and decisions make it. */
export function planOf(setup: JobSetup, state: JobState): Result<Plan, ResolveError & { kit: string }> {
  const { visit } = state;
  const settled = Object.fromEntries(Object.entries(visit.settled).map(([id, { settlement }]) => [id, settlement]));
  const kits = kitsNow(setup, state);
  const asked = kits.length > 1 ? spreadAnswers(kits, state.answers) : state.answers;
  // What was answered at intake stands, should a kit of an older version call a choice like a question.
  const answers = { ...toldOnTheLine(visit), ...asked };
  const resolved = resolveVisit(kits, setup.vehicle, answers, setup.shop, { settled, split: Object.keys(visit.split) });
  if (!resolved.ok) return resolved;
  const named = withNamedCompounds(withAddedSteps(resolved.value, visit.addedSteps), visit.compounds);
  const plan = withAims(withFigures(named, visit.figures), visit.bases);
  return ok(withReusedJoints(plan, visit.figures));
}

/** Opens a job. Fails while the plan still has a question. */
export function openLog(setup: JobSetup): Result<JobLog, ResolveError & { kit: string }> {
  const state = emptyJob(setup.answers, [...setup.openedWith]);
  const resolved = planOf(setup, state);
  if (!resolved.ok) return resolved;
  const plan = resolved.value;
  const fitted = plan.groups.filter(({ recheck }) => recheck).flatMap(({ stations }) => stations);
  const stations = new Map(fitted.map((id) => [id as string, { ...stationState(state, id), stage: 'snug' as const }]));
  return ok({ setup, plan, state: fitted.length > 0 ? { ...state, stations } : state, commandIds: noCommands });
}

/** Facts after which the plan is made anew. */
const REPLANS: ReadonlySet<string> = new Set(
  Object.values(ACTS).flatMap((act) => (act.replans ? Object.keys(act.fold) : [])),
);

/** The log after events that already happened; a changed answer or kit resolves the plan anew. */
export function appendEvents(log: JobLog, stored: readonly JobEvent[]): JobLog {
  const events = stored.map(currentEvent);
  const state = foldAll(log.state, events);
  const commandIds = withCommands(
    log.commandIds,
    events.map((event) => event.commandId),
  );
  if (!events.some((event) => REPLANS.has(event.type))) return { ...log, state, commandIds };
  const resolved = planOf(log.setup, state);
  // `takeCommand` accepts only what resolves, so a failure here is a broken promise, not a case.
  if (!resolved.ok) throw new Error(`Plan no longer resolves: ${resolved.error.code}`);
  return { ...log, plan: resolved.value, state, commandIds };
}

/** Why the plan that some events lead to cannot be taken: it cannot be made, or work done already contradicts it. */
function replanRefusal(log: JobLog, events: readonly JobEvent[]): Refusal | undefined {
  if (!events.some((event) => REPLANS.has(event.type))) return undefined;
  const state = foldAll(log.state, events);
  const resolved = planOf(log.setup, state);
  if (!resolved.ok) {
    const { error } = resolved;
    return error.code === 'answersMissing'
      ? { code: 'questionsOpen', questions: error.questions.map(({ text }) => text) }
      : { code: 'planImpossible', reason: error.code };
  }
  const against = contradictions(log.plan, resolved.value, state);
  const saidAnew = events.some(({ type }) => type === 'foundOut' || type === 'choiceMade');
  const steps = saidAnew ? stepsLost(log.plan, resolved.value, state) : [];
  return against.stations.length + against.things.length + steps.length > 0
    ? { code: 'workContradicts', ...against, steps }
    : undefined;
}

export type CommandOutcome =
  | { ok: true; log: JobLog; events: JobEvent[]; repeated: boolean }
  | { ok: false; log: JobLog; refusal: Refusal };

/** Takes one command. A command id seen before changes nothing and succeeds. */
export function takeCommand(
  log: JobLog,
  wrenches: readonly Wrench[],
  envelope: CommandEnvelope,
  {
    toolsOut = [],
    breaks = [],
    bottles,
    unpractised,
  }: Partial<Pick<DecideContext, 'toolsOut' | 'breaks' | 'bottles' | 'unpractised'>> = {},
): CommandOutcome {
  if (log.commandIds.has(envelope.id)) return { ok: true, log, events: [], repeated: true };
  // Only a changed answer asks for the questions, and only then are they gathered.
  const questions = envelope.command.type === 'changeAnswer' ? visitQuestions(kitsNow(log.setup, log.state)) : [];
  const decision = decide(
    { plan: log.plan, questions, wrenches, bottles, toolsOut, breaks, unpractised },
    log.state,
    envelope,
  );
  if (!decision.ok) return { ok: false, log, refusal: decision.refusal };
  const refusal = replanRefusal(log, decision.events);
  if (refusal) return { ok: false, log, refusal };
  return { ok: true, log: appendEvents(log, decision.events), events: decision.events, repeated: false };
}
