import { LRUCache } from 'lru-cache';
import type { Integrity, StoredEvent } from '#contract/job.ts';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';
import type { PinnedDocument } from '../store/catalog-repository.ts';
import type { JobEntity } from '../store/entities.ts';

/** A job folded up to `seq`. */
export interface LiveJob {
  row: JobEntity;
  log: JobLog;
  /** Of the newest event that stands. */
  seq: number;
  hash: string;
  lastEventAtMs?: number;
  integrity: Integrity;
}

/** Prefixes of the kits a job was opened with. */
export const openedWith = (row: JobEntity): string[] =>
  row.kits.filter(({ added }) => !added).map(({ prefix }) => prefix);

/** A job worked out from what is stored. @throws where its kits no longer resolve, or an event cannot be read */
export function foldJob(row: JobEntity, kits: readonly PinnedDocument[], events: readonly StoredEvent[]): JobLog {
  const opened = openLog({
    kits: kits.map(({ document, prefix }) => ({ document, prefix })),
    openedWith: openedWith(row),
    vehicle: row.vehicle,
    answers: row.answers,
    shop: row.passRule,
  });
  if (!opened.ok) throw new Error(`Job ${row.number} no longer resolves: ${opened.error.code}`);
  return appendEvents(
    opened.value,
    events.map((stored) => stored.event),
  );
}

/** What folded jobs may take of the server's memory, bytes by the estimate below. */
const BUDGET = 600e6;
/** A plan with its indexes, and an event with what it folds to, bytes: measured on jobs of 60 and 400 stations. */
const PER_JOB = 120_000;
const PER_STATION = 6000;
const PER_EVENT = 1500;
/** A job nobody asked for since is folded anew when somebody does. */
const IDLE_MS = 4 * 3_600_000;

/** Jobs kept folded, bounded by the memory they take; the longest unused make room. */
export const liveJobs = (): LRUCache<string, LiveJob> =>
  new LRUCache<string, LiveJob>({
    maxSize: BUDGET,
    ttl: IDLE_MS,
    updateAgeOnGet: true,
    sizeCalculation: ({ log, seq }) => PER_JOB + PER_STATION * log.plan.stations.length + PER_EVENT * seq,
  });
