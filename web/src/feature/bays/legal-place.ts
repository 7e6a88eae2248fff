import { QUARTER_MS } from './day-scale.ts';
import type { Put } from './drag-job.ts';

/** A job as it stands in a bay by the plan. */
export interface Standing {
  id: string;
  bay: number;
  startMs: number;
  endMs: number;
  /** What it is called. */
  name: string;
}

/** Why a job was put elsewhere than where the hand let go. */
export type Snapped = { why: 'behind' | 'before'; other: Standing } | { why: 'opens' | 'closed'; atMs: number };

/** A hand that lets go this close to a place that is free means it, ms (chosen by us). */
const REACH_MS = 6 * QUARTER_MS;

const up = (ms: number) => Math.ceil(ms / QUARTER_MS) * QUARTER_MS;
const down = (ms: number) => Math.floor(ms / QUARTER_MS) * QUARTER_MS;

/**
 * Where a job may stand that was let go somewhere: there, or the nearest quarter of an hour at which its bay is free and the
 * shop is open. Where nothing near is free it stays where it was let go, and what is against it is told.
 *
 * @param standing - jobs in bays, by the plan
 * @param open - when the shop is open, Unix ms; empty where it never said
 */
export function legalPlace(
  put: Put,
  { id, lengthMs }: { id: string; lengthMs: number },
  standing: readonly Standing[],
  open: ReadonlyArray<readonly [number, number]>,
): { put: Put; snapped?: Snapped } {
  if ('days' in put) return { put };
  const others = standing.filter((one) => one.id !== id && one.bay === put.bay);
  const free = (startMs: number) => others.every((one) => startMs >= one.endMs || startMs + lengthMs <= one.startMs);
  const isOpen = (startMs: number) => open.length === 0 || open.some(([from, to]) => startMs >= from && startMs < to);
  const at = put.plannedStartMs;
  if (free(at) && isOpen(at)) return { put };
  const opens = open.flatMap(([from]) => (from > at ? [up(from)] : []))[0];
  const closes = open.flatMap(([, to]) => (to <= at ? [down(to - Math.min(lengthMs, to))] : [])).at(-1);
  const candidates: Array<{ startMs: number; snapped: Snapped }> = [
    ...others.map((other) => ({ startMs: up(other.endMs), snapped: { why: 'behind' as const, other } })),
    ...others.map((other) => ({ startMs: down(other.startMs - lengthMs), snapped: { why: 'before' as const, other } })),
    ...(opens === undefined ? [] : [{ startMs: opens, snapped: { why: 'opens' as const, atMs: opens } }]),
    ...(closes === undefined ? [] : [{ startMs: closes, snapped: { why: 'closed' as const, atMs: closes } }]),
  ];
  const near = candidates
    .filter(({ startMs }) => Math.abs(startMs - at) <= REACH_MS && free(startMs) && isOpen(startMs))
    .sort((a, b) => Math.abs(a.startMs - at) - Math.abs(b.startMs - at) || a.startMs - b.startMs)[0];
  return near ? { put: { ...put, plannedStartMs: near.startMs }, snapped: near.snapped } : { put };
}
