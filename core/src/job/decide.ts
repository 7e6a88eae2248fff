import { type Act, type DecideContext, refuse } from './act/act.ts';
import { ACTS, type JobCommand, type JobEvent, type JobFact } from './acts.ts';
import type { CommandEnvelope } from './command-envelope.ts';
import { EVENT_VERSION } from './event-version.ts';
import { foldAll } from './fold.ts';
import type { JobState } from './job-state.ts';
import { CONFIRMABLE, type Refusal } from './refusal.ts';
import type { Role } from './role.ts';

export type Decision = { ok: true; events: JobEvent[] } | { ok: false; refusal: Refusal };

/** The table as any one act of it: which command goes with which is what the table itself holds. */
const actOf = (name: JobCommand['type']) => ACTS[name] as Act<JobCommand, JobFact>;

/** What may be done with a job that is put aside. */
const WHILE_PARKED: ReadonlySet<JobCommand['type']> = new Set([
  'resume',
  'handBack',
  'acknowledgeBreak',
  'keepPhoto',
  // What it waits for is ordered and comes while it stands, and keys change hands.
  'orderPieces',
  'takeArrival',
  'useShopStock',
  'handKey',
]);

/** Whether a role may give a command. */
export const mayDo = (role: Role, command: JobCommand['type']): boolean => actOf(command).may.includes(role);

/**
 * Decides a command against a job: either the facts that now hold, or why not.
 *
 * Pure. The time is the command's own, so that the tablet, the server and a replay decide alike; whether that
 * time can be believed is for the caller to check.
 */
export function decide(context: DecideContext, job: JobState, envelope: CommandEnvelope): Decision {
  const { id: commandId, atMs, by, device, clock, signingKey, proof, command } = envelope;
  // A lead may have looked at a break since whoever asks read of it: what the job itself says of that holds.
  const lookedAt = new Set(job.visit.acknowledged.flatMap((seen) => seen.breaks));
  const breaks = (context.breaks ?? []).filter((at) => !lookedAt.has(at));
  const [broken] = breaks;
  const after = (facts: ReadonlyArray<{ type: string }>): JobState =>
    foldAll(
      job,
      facts.map((fact) => ({ ...fact, commandId, atMs, by }) as JobEvent),
    );
  const outcome = !mayDo(by.role, command.type)
    ? refuse({ code: 'notPermitted', role: by.role, command: command.type })
    : broken !== undefined && command.type !== 'acknowledgeBreak'
      ? refuse({ code: 'recordBroken', at: broken })
      : job.closed && !actOf(command.type).afterClose
        ? refuse({ code: 'jobClosed' })
        : job.visit.parked && !WHILE_PARKED.has(command.type)
          ? refuse({ code: 'jobParked' })
          : actOf(command.type).decide({ ...context, breaks, job, commandId, atMs, by, after }, command);
  if ('refusal' in outcome) return { ok: false, refusal: outcome.refusal };
  const origin = { device, clock, signingKey, proof };
  return {
    ok: true,
    events: outcome.facts.map((fact) => ({ ...fact, version: EVENT_VERSION, commandId, atMs, by, ...origin })),
  };
}

/** Whether a command needs a proof of its own that it is really this person who gives it. */
export const needsProof = (command: JobCommand['type']): boolean => actOf(command).needsProof === true;

/** Whether the same person may give the command again with `confirmed`. */
export const mayConfirm = (refusal: Refusal): boolean => CONFIRMABLE.has(refusal.code);
