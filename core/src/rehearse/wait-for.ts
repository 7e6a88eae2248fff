import type { JobLog } from '../job/job-log.ts';
import { type JobState, lineState } from '../job/job-state.ts';
import { reachFrom } from './reach.ts';

/** What waiting for pieces costs a job. */
export interface WaitFor {
  /** When the work stops for want of them; none where it can be finished without. */
  stopsMs?: number;
  /** How long the vehicle stands then, minutes; 0 where they come in time. */
  standsMinutes: number;
  /** When it is finished, about. */
  finishedMs: number;
}

const MINUTE_MS = 60_000;

/** A job as it would be with pieces that are not here yet. */
function withPieces(state: JobState, item: string, quantity: number): JobState {
  const line = lineState(state, item);
  const stamp = { commandId: '', atMs: 0, by: { id: '', name: '', role: 'fitter' as const } };
  return {
    ...state,
    lines: { ...state.lines, [item]: { ...line, arrived: [...(line.arrived ?? []), { quantity, ...stamp }] } },
  };
}

/**
 * When a job would be finished if pieces came at an instant, from how far it gets without them and how much work there
 * is with them. Hands are taken to work on without a break; nights and other shortages are left out.
 *
 * @param short - the line, and how many of it are missing
 * @param promisedMs - when they are promised, Unix ms
 * @param nowMs - Unix ms
 */
export function waitFor(
  job: Omit<JobLog, 'commandIds'>,
  short: { item: string; quantity: number },
  promisedMs: number,
  nowMs: number,
): WaitFor {
  const minutesOf = ({ workMinutes, waitMinutes }: { workMinutes: number; waitMinutes: number }) =>
    workMinutes + waitMinutes;
  const without = reachFrom(job, nowMs);
  const whole = minutesOf(reachFrom({ ...job, state: withPieces(job.state, short.item, short.quantity) }, nowMs));
  const freely = nowMs + whole * MINUTE_MS;
  if (without.stopsFor !== short.item) return { standsMinutes: 0, finishedMs: freely };
  const stopsMs = nowMs + minutesOf(without) * MINUTE_MS;
  const standsMinutes = Math.max(0, (promisedMs - stopsMs) / MINUTE_MS);
  return { stopsMs, standsMinutes, finishedMs: freely + standsMinutes * MINUTE_MS };
}
