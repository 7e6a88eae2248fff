import type { AnswerValue } from '../kit/condition.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { Plan } from '../kit/plan.ts';
import { type ResolveError, resolve } from '../kit/resolve.ts';
import type { VehicleFacts } from '../kit/vehicle-facts.ts';
import { ok, type Result } from '../result.ts';
import type { PassRule } from '../tightening/pass-plan.ts';
import type { Wrench } from '../wrench/wrench.ts';
import { type CommandIds, noCommands, withCommands } from './command-ids.ts';
import { decide } from './decide.ts';
import { foldAll } from './fold.ts';
import type { CommandEnvelope } from './job-command.ts';
import type { JobEvent } from './job-event.ts';
import { emptyJob, type JobState } from './job-state.ts';
import type { Refusal } from './refusal.ts';

/** What a job was opened with. The kit is pinned: a later revision does not reach into it. */
export interface JobSetup {
  kit: KitDocument;
  vehicle: VehicleFacts;
  answers: Record<string, AnswerValue>;
  shop: PassRule;
}

/** A job as it is held in memory: its plan, its state, and the commands it has already taken. */
export interface JobLog {
  setup: JobSetup;
  plan: Plan;
  state: JobState;
  commandIds: CommandIds;
}

/** Opens a job. Fails while the plan still has a question. */
export function openLog(setup: JobSetup): Result<JobLog, ResolveError> {
  const resolved = resolve(setup.kit, setup.vehicle, setup.answers, setup.shop);
  if (!resolved.ok) return resolved;
  return ok({ setup, plan: resolved.value, state: emptyJob(setup.answers), commandIds: noCommands });
}

/** The log after events that already happened; a changed answer resolves the plan anew. */
export function appendEvents(log: JobLog, events: readonly JobEvent[]): JobLog {
  const state = foldAll(log.state, events);
  const commandIds = withCommands(
    log.commandIds,
    events.map((event) => event.commandId),
  );
  if (!events.some((event) => event.type === 'answerChanged')) return { ...log, state, commandIds };
  const resolved = resolve(log.setup.kit, log.setup.vehicle, state.answers, log.setup.shop);
  // `takeCommand` accepts only answers that resolve, so a failure here is a broken promise, not a case.
  if (!resolved.ok) throw new Error(`Answer no longer resolves: ${resolved.error.code}`);
  return { ...log, plan: resolved.value, state, commandIds };
}

export type CommandOutcome =
  | { ok: true; log: JobLog; events: JobEvent[]; repeated: boolean }
  | { ok: false; log: JobLog; refusal: Refusal };

/** Takes one command. A command id seen before changes nothing and succeeds. */
export function takeCommand(
  log: JobLog,
  wrenches: readonly Wrench[],
  envelope: CommandEnvelope,
  toolsOut: readonly string[] = [],
): CommandOutcome {
  if (log.commandIds.has(envelope.id)) return { ok: true, log, events: [], repeated: true };
  const context = { plan: log.plan, questions: log.setup.kit.questions, wrenches, toolsOut };
  const decision = decide(context, log.state, envelope);
  if (!decision.ok) return { ok: false, log, refusal: decision.refusal };
  const { command } = envelope;
  if (command.type === 'changeAnswer') {
    const answers = { ...log.state.answers, [command.question]: command.value };
    // An answer that opens another question cannot be taken alone.
    if (!resolve(log.setup.kit, log.setup.vehicle, answers, log.setup.shop).ok) {
      return { ok: false, log, refusal: { code: 'answerNotAllowed', question: command.question } };
    }
  }
  return { ok: true, log: appendEvents(log, decision.events), events: decision.events, repeated: false };
}
